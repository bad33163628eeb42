// Space starts and stops; what is kept are whole seconds.
export default () => ({
  since: null,
  shown: "0.0",

  running() {
    return this.since !== null;
  },
  seconds() {
    return (performance.now() - this.since) / 1000;
  },
  tick() {
    if (!this.running()) return;
    this.shown = this.seconds().toFixed(1);
    requestAnimationFrame(() => this.tick());
  },
  press() {
    if (!this.running()) {
      this.since = performance.now();
      this.tick();
      return;
    }
    const field = this.$refs.kept;
    field.value = Math.floor(this.seconds());
    this.since = null;
    field.dispatchEvent(new Event("change", { bubbles: true }));
  },
  space(event) {
    const writing = event.target.closest("input, textarea, select, button, a, summary, dialog, .spot");
    if (!this.$root.closest("details").open || (writing && writing !== this.$refs.button)) return;
    event.preventDefault();
    this.press();
  },
});
