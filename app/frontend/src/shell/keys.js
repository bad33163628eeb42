// Keys for whoever works without a mouse: rows, cells, and single letters where they are wanted.
const typing = (element) => element.closest("input, textarea, select, dialog") !== null;
const rows = () => [...document.querySelectorAll("[data-row]")];

export default () => ({
  /** Whether single letters are keys. */
  single: false,
  /** Id of the row last in focus: it is in focus again when its fragment is exchanged. */
  last: null,

  init() {
    this.single = this.$root.dataset.singleKeys === "true";
  },
  remember({ target }) {
    const row = target.closest("[data-row]");
    if (row) this.last = row.id;
  },
  back() {
    if (document.activeElement === document.body && this.last) document.getElementById(this.last)?.focus();
  },
  press(event) {
    const { key, target } = event;
    if (event.defaultPrevented || !target.closest) return;
    const row = target.closest("[data-row]");
    if (key === "Escape") {
      if (row && typing(target)) row.focus();
      return;
    }
    const up = key === "ArrowUp";
    const arrow = up || key === "ArrowDown";
    if (arrow && event.altKey && row) {
      event.preventDefault();
      row.querySelector(up ? "[data-up]" : "[data-down]")?.click();
      return;
    }
    if (key === "ArrowDown" && target.matches("[data-to-rows]")) return this.go(event, rows()[0]);
    if (typing(target) || event.ctrlKey || event.metaKey || event.altKey) return;
    if (key === "/") return this.go(event, document.querySelector("[data-find]"));
    if (key === "?") {
      event.preventDefault();
      this.$refs.keys.showModal();
      return;
    }
    if (arrow && row) return this.go(event, rows()[rows().indexOf(row) + (up ? -1 : 1)]);
    if (row && key === "Enter" && target === row) return this.go(event, row.querySelector("[data-edit]"));
    if (!this.single) return;
    // Whoever works by keys begins where nothing is in focus; others scroll with them.
    if (key === "ArrowDown" && target === document.body) return this.go(event, rows()[0]);
    if (row && key === "x") return this.go(event, row.querySelector("[data-remove]"));
    const ofTheRow = row?.querySelector(`[data-row-key="${CSS.escape(key)}"]`);
    if (ofTheRow) return this.go(event, ofTheRow);
    this.go(event, document.querySelector(`[data-key="${CSS.escape(key)}"]`));
  },
  /** Into a field or row, or what a button or link does. */
  go(event, element) {
    if (!element || element.disabled) return;
    event.preventDefault();
    if (element.matches("[type=checkbox]")) {
      element.click();
      return;
    }
    // What is folded away cannot be typed into.
    if (element.matches("input")) element.closest("details")?.setAttribute("open", "");
    if (element.matches("input, [data-row]")) element.focus();
    if (element.matches("input")) element.select();
    else if (!element.matches("[data-row]")) element.click();
  },
});
