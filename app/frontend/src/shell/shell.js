// What every page of the practitioner has: fragments, keys, search fields, and a lock.
import htmx from "htmx.org";
import Alpine from "../platform/alpine.js";
import { token } from "../platform/csrf.js";
import * as ahead from "./ahead.js";
import hits from "./hits.js";
import keys from "./keys.js";
import lock from "./lock.js";
import ticks from "./ticks.js";

Alpine.data("hits", hits);
Alpine.data("keys", keys);
Alpine.data("lock", lock);
Alpine.data("ticks", ticks);

/** One sentence about what has just happened, read out and seen by nobody. */
Alpine.store("said", {
  text: "",
  say(text) {
    this.text = text;
  },
  async copy(text) {
    try {
      await navigator.clipboard.writeText(text);
      this.say("Copied.");
    } catch {
      this.say("Copying is not allowed here; select the text instead.");
    }
  },
});

document.addEventListener("htmx:configRequest", ({ detail }) => {
  const { header, value } = token();
  if (header) detail.headers[header] = value;
});
document.addEventListener("htmx:sendError", () =>
  Alpine.store("said").say("The connection is gone. What you typed is still here; try again when it is back."),
);
// An answer that comes late must not take away what is being typed.
document.addEventListener("htmx:oobBeforeSwap", ({ detail }) => {
  if (detail.target === document.activeElement) detail.shouldSwap = false;
});
document.addEventListener("htmx:afterSettle", ({ target }) => {
  // What the server points to is ready to be pressed, or typed over.
  const pointedTo = target.querySelector?.("[data-focus]");
  if (!pointedTo) {
    // Refused, since somebody else was quicker for one: no row comes, and the keys go where they went.
    if (target.id === "plan") ahead.end();
    return;
  }
  delete pointedTo.dataset.focus;
  pointedTo.focus();
  if (pointedTo instanceof HTMLInputElement) {
    pointedTo.select();
    ahead.into(pointedTo);
  }
});

export default htmx;
