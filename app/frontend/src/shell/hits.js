// A search field with its hits below: arrows go through them, Enter takes the first.
import * as ahead from "./ahead.js";

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
    const field = this.$root.querySelector("input");
    if (field.value.trim() === "") return;
    this.wanted = true;
    if ("ahead" in this.$root.dataset) ahead.begin();
    if (!this.here()) field.dispatchEvent(new Event("focus"));
    this.takeFirst();
  },
  /** The hits for what stands in the field, once they have come. */
  here() {
    const found = this.$refs.pop.querySelector("[data-hits]");
    return found?.dataset.hits === this.$root.querySelector("input").value.trim() ? found : null;
  },
  /** Not before its hits have settled: until then nothing listens in them. */
  takeFirst() {
    const found = this.here();
    if (!this.wanted || !found || found.closest(".htmx-added")) return;
    this.wanted = false;
    const first = found.querySelector("a, button");
    if (first) {
      first.click();
      return;
    }
    const field = this.$root.querySelector("input");
    const more = ahead.end().filter((key) => key.length === 1).join("");
    if (more === "") return;
    field.value += more;
    field.dispatchEvent(new Event("input", { bubbles: true }));
  },
});
