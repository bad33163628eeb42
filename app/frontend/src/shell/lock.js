// Signing in again on the page as it is: after a session that ran out, and after nobody was here.
import htmx from "htmx.org";
import Alpine from "../platform/alpine.js";
import { freshToken, post } from "../platform/csrf.js";

// Shared by all tabs: when somebody was here last, and when a tab has locked all of them.
const ACTIVE = "biokinet.active";
const LOCKED = "biokinet.locked";
const when = (key) => Number(localStorage.getItem(key));

/** One of several tabs that find at the same moment that nobody is here signs out. */
async function signOut() {
  if (when(LOCKED) > when(ACTIVE)) return;
  localStorage.setItem(LOCKED, String(Date.now()));
  await post("/sign-out").catch(() => {});
}

export default () => {
  /** Changes that were refused meanwhile, by element; they are made once somebody has signed in. */
  const interrupted = new Map();
  let told = Date.now();
  let noted = 0;

  return {
    locked: false,
    /** "wrong" or "many"; empty while nothing is wrong. */
    error: "",

    init() {
      localStorage.setItem(ACTIVE, String(Date.now()));
      // A timer sleeps with the machine; the clock does not.
      setInterval(() => this.lockIfIdle(), 15_000);
      for (const kind of ["keydown", "pointerdown", "input", "wheel"]) {
        document.addEventListener(kind, () => this.here(), { passive: true, capture: true });
      }
      // What a page asks for by itself waits until somebody is here again.
      document.addEventListener("htmx:beforeRequest", (event) => {
        if (this.locked && event.detail.requestConfig.verb === "get") event.preventDefault();
      });
    },
    idleMs() {
      return Number(this.$root.dataset.idleMinutes) * 60_000;
    },
    /** Somebody is here; the server is told now and then, since one may type for long. */
    here() {
      const now = Date.now();
      if (this.$root.open || now - noted < 1000) return;
      noted = now;
      localStorage.setItem(ACTIVE, String(now));
      if (now - told < this.idleMs() / 3) return;
      told = now;
      fetch("/csrf", { headers: { Accept: "application/json" }, cache: "no-store" }).catch(() => {});
    },
    refused({ xhr, elt, requestConfig }) {
      if (xhr.status !== 401 && xhr.status !== 403) {
        Alpine.store("said").say("That did not work. Nothing was changed; try once more.");
        return;
      }
      if (requestConfig.verb !== "get") interrupted.set(elt, requestConfig);
      this.show();
    },
    show() {
      if (!this.$root.open) this.$root.showModal();
    },
    /** Each tab asks for the password: somebody else may have signed in in another one. */
    cover() {
      this.locked = true;
      document.body.classList.add("locked-away");
      this.show();
    },
    async lockIfIdle() {
      if (this.locked || Date.now() - when(ACTIVE) < this.idleMs()) return;
      this.cover();
      if (navigator.locks) await navigator.locks.request(LOCKED, signOut);
      else await signOut();
    },
    lockedElsewhere({ key }) {
      if (key === LOCKED) this.cover();
    },
    /** Escape must not uncover what is locked. */
    escape(event) {
      if (this.locked) event.preventDefault();
    },
    async signIn({ target: form }) {
      await freshToken("/csrf");
      const answer = await post("/sign-in", new URLSearchParams(new FormData(form)));
      if (!answer.ok) {
        this.error = answer.status === 429 ? "many" : "wrong";
        return;
      }
      const { person } = await answer.json();
      if (person !== this.$root.dataset.person) {
        // What stands here was for somebody else's eyes.
        location.assign("/");
        return;
      }
      await freshToken("/csrf");
      form.reset();
      this.error = "";
      this.$root.close();
      this.locked = false;
      document.body.classList.remove("locked-away");
      this.here();
      for (const [elt, { verb, path }] of interrupted) {
        if (elt.isConnected) htmx.ajax(verb, path, { source: elt });
      }
      interrupted.clear();
      Alpine.store("said").say("Signed in.");
    },
  };
};
