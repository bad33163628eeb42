// A search field with its hits below: arrows go through them, Enter takes the first.
export default () => ({
  wanted: false,

  walk(event) {
    const stops = [this.$root.querySelector("input"), ...this.$refs.pop.querySelectorAll("a, button")];
    const next = stops[stops.indexOf(event.target) + (event.key === "ArrowDown" ? 1 : -1)];
    if (!next) return;
    event.preventDefault();
    next.focus();
  },
  close() {
    this.$refs.pop.replaceChildren();
  },
  take() {
    this.wanted = true;
    this.takeFirst();
  },
  /** Once the hits are those for what stands in the field. */
  takeFirst() {
    const typed = this.$root.querySelector("input").value.trim();
    const found = this.$refs.pop.querySelector("[data-hits]");
    if (!this.wanted || found?.dataset.hits !== typed) return;
    this.wanted = false;
    found.querySelector("a, button")?.click();
  },
});
