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

const KEYS = { e: "EARLIER", l: "LATER", h: "HOLD", b: "BRING", n: "END" };
const SIDES = { 1: "LEFT", 2: "RIGHT", 3: "" };

// The weeks: from cell to cell, and what is to become of the item in one; the server says what does.
Alpine.data("weeks", () => ({
  /** The cell whose step is being dragged. */
  lifted: null,

  init() {
    this.$nextTick(() => this.$root.querySelector(".week-cell[data-week='0']")?.setAttribute("tabindex", "0"));
  },
  press(event) {
    const cell = event.target.closest("button.week-cell");
    if (!cell || event.ctrlKey || event.metaKey || event.altKey) return;
    const td = cell.parentElement;
    const rows = [...td.parentElement.parentElement.children];
    const beside = {
      ArrowLeft: () => td.previousElementSibling,
      ArrowRight: () => td.nextElementSibling,
      ArrowUp: () => rows[rows.indexOf(td.parentElement) - 1]?.children[td.cellIndex],
      ArrowDown: () => rows[rows.indexOf(td.parentElement) + 1]?.children[td.cellIndex],
    }[event.key];
    if (beside) {
      event.preventDefault();
      beside()?.querySelector("button.week-cell")?.focus();
      return;
    }
    if (!Alpine.$data(document.querySelector("[x-data=keys]")).single) return;
    if (event.key in SIDES) {
      const sides = document.getElementById("week-sides");
      if (sides) sides.value = SIDES[event.key];
      event.preventDefault();
    } else if (event.key in KEYS) {
      event.preventDefault();
      this.send(KEYS[event.key], cell.dataset.keyOf, cell.dataset.week, 0);
    }
  },
  act({ currentTarget }) {
    const { keyOf, week } = currentTarget.closest("[data-week]").dataset;
    document.getElementById(`w-${keyOf}-${week}`)?.focus();
    this.send(currentTarget.dataset.what, keyOf, week, 0);
  },
  lift({ target, dataTransfer }) {
    this.lifted = target.closest("button.week-cell");
    dataTransfer?.setData("text/plain", this.lifted?.id ?? "");
  },
  over(event) {
    if (this.sameRow(event.target)) event.preventDefault();
  },
  drop(event) {
    const cell = this.sameRow(event.target);
    if (!cell) return;
    event.preventDefault();
    cell.focus();
    this.send("MOVE", this.lifted.dataset.keyOf, this.lifted.dataset.week, cell.dataset.week);
  },
  sameRow(target) {
    const cell = target.closest("button.week-cell");
    return cell && this.lifted && cell.dataset.keyOf === this.lifted.dataset.keyOf ? cell : null;
  },
  send(what, key, week, to) {
    const form = document.getElementById("weeks-do");
    const sides = document.getElementById("week-sides")?.value ?? "";
    for (const [name, value] of Object.entries({ what, key, week, to, sides })) form.elements[name].value = value;
    form.requestSubmit();
  },
}));
