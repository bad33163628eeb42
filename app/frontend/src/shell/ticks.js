// A list of ticks is one stop for the tabulator; arrows go through it.
const STEP = { ArrowDown: 1, ArrowRight: 1, ArrowUp: -1, ArrowLeft: -1 };

export default () => ({
  init() {
    this.ticks().forEach((tick, i) => (tick.tabIndex = i === 0 ? 0 : -1));
  },
  ticks() {
    return [...this.$root.querySelectorAll("input[type=checkbox]")];
  },
  walk(event) {
    const ticks = this.ticks();
    const at = ticks.indexOf(event.target);
    if (!STEP[event.key] || at < 0) return;
    event.preventDefault();
    ticks[(at + STEP[event.key] + ticks.length) % ticks.length].focus();
  },
  /** Whoever ticks a line takes "none of these" back, and the other way round. */
  tick({ target }) {
    if (!target.checked || target.type !== "checkbox") return;
    const none = target.name === "none";
    for (const tick of this.ticks()) if ((tick.name === "none") !== none) tick.checked = false;
  },
});
