// Plan: a dose is saved once, and a finding looks for what it names.
import Alpine from "../platform/alpine.js";

Alpine.data("plan", () => ({
  /** Enter commits by leaving the cell, so that a dose is saved once. */
  commit({ target }) {
    target.closest("[data-row]").focus();
  },
  /** Writes into the search field for exercises, as if it had been typed. */
  search({ target }) {
    const add = document.getElementById("add");
    add.value = target.dataset.search;
    add.focus();
    add.dispatchEvent(new Event("input", { bubbles: true }));
  },
}));
