// Writing an exercise: a palette of words, and sliders that show their angle at once.
import Alpine from "../platform/alpine.js";

Alpine.data("writing", () => {
  let last = null;

  return {
    remember({ target }) {
      if (target.matches("[data-text]")) last = target;
    },
    /** Puts a word where somebody wrote last, with a gap before it where one is missing. */
    insert(word) {
      const text = last?.isConnected ? last : this.$root.querySelector("textarea[data-text]");
      if (!text) return;
      if (text !== last) text.setSelectionRange(text.value.length, text.value.length);
      text.focus();
      const before = text.value.slice(0, text.selectionStart);
      const gap = before && !/\s$/.test(before) ? " " : "";
      text.setRangeText(gap + word, text.selectionStart, text.selectionEnd, "end");
      text.dispatchEvent(new Event("input", { bubbles: true }));
    },
  };
});

/** What the angle does to the figure comes from the server. */
Alpine.data("slider", () => ({
  degrees: 0,
  init() {
    this.degrees = this.$root.querySelector("input").value;
  },
}));
