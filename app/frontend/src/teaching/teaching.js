// Teaching in the room: counts one hold, by the clock, at the client's pace.
import Alpine from "../platform/alpine.js";

Alpine.data("count", () => ({
  since: null,
  shown: "",

  label() {
    return this.since === null ? "Count a hold" : "Stop counting";
  },
  press() {
    if (this.since !== null) {
      this.since = null;
      return;
    }
    this.since = performance.now();
    this.tick();
  },
  tick() {
    if (this.since === null) return;
    const passed = Math.floor((performance.now() - this.since) / 1000);
    const all = Number(this.$root.dataset.seconds);
    this.shown = `${Math.min(passed, all)}`;
    if (passed >= all) {
      this.since = null;
      Alpine.store("said").say("The hold is over.");
      return;
    }
    setTimeout(() => this.tick(), 100);
  },
}));
