// The practitioner's pages: fragments, keys, and a sign-in that keeps the page.
import htmx from "htmx.org";
import { freshToken, token } from "./csrf.js";

window.htmx = htmx;

document.addEventListener("htmx:configRequest", (event) => {
  const { header, value } = token();
  if (header) event.detail.headers[header] = value;
});

// ---- a session that ran out: sign in here, then go on -----------------------------------------

/** Changes that were refused meanwhile, by element; they are made once somebody has signed in. */
const interrupted = new Map();

document.addEventListener("htmx:responseError", (event) => {
  const { xhr, elt, requestConfig } = event.detail;
  if (xhr.status === 401 || xhr.status === 403) {
    if (requestConfig.verb !== "get") interrupted.set(elt, requestConfig);
    const dialog = document.getElementById("sign-in-again");
    if (dialog && !dialog.open) dialog.showModal();
  } else {
    say("That did not work. Nothing was changed; try once more.");
  }
});
document.addEventListener("htmx:sendError", () =>
  say("The connection is gone. What you typed is still here; try again when it is back."));

document.getElementById("sign-in-again-form")?.addEventListener("submit", async (event) => {
  event.preventDefault();
  const form = event.target;
  const fresh = await freshToken("/csrf");
  const answer = await fetch("/sign-in", {
    method: "POST",
    headers: { Accept: "application/json", [fresh.header]: fresh.value },
    body: new URLSearchParams(new FormData(form)),
  });
  const error = form.querySelector("[data-error]");
  if (!answer.ok) {
    error.textContent =
      answer.status === 429 ? "Too many tries. Wait a minute." : "Mail address or password is wrong.";
    return;
  }
  await freshToken("/csrf");
  form.reset();
  error.textContent = "";
  form.closest("dialog").close();
  document.body.classList.remove("locked-away");
  lastSign = Date.now();
  for (const [elt, { verb, path }] of interrupted) {
    if (elt.isConnected) htmx.ajax(verb, path, { source: elt });
  }
  interrupted.clear();
  say("Signed in.");
});

// ---- nobody is here: the page is covered and signed out, and comes back as it was ----------------

const IDLE_MINUTES = 15;
const lock = document.getElementById("sign-in-again");
let lastSign = Date.now();
for (const kind of ["keydown", "pointerdown", "input", "wheel"]) {
  document.addEventListener(kind, () => (lastSign = Date.now()), { passive: true, capture: true });
}
async function lockIfIdle() {
  if (!lock || lock.open || Date.now() - lastSign < IDLE_MINUTES * 60_000) return;
  document.body.classList.add("locked-away");
  lock.querySelector("[data-why]").textContent =
    `Nobody was here for ${IDLE_MINUTES} minutes, so the page is locked. Sign in; it is still as you left it.`;
  lock.showModal();
  const { header, value } = token();
  await fetch("/sign-out", { method: "POST", headers: { [header]: value } }).catch(() => {});
}
if (lock) {
  // A timer sleeps with the machine; the clock does not.
  setInterval(lockIfIdle, 15_000);
  document.addEventListener("visibilitychange", lockIfIdle);
  // Escape must not uncover what is locked.
  lock.addEventListener("cancel", (event) => {
    if (document.body.classList.contains("locked-away")) event.preventDefault();
  });
}

function say(text) {
  const place = document.getElementById("said");
  if (place) place.textContent = text;
}

// ---- keys -------------------------------------------------------------------------------------

const typing = (e) => e.target.closest("input, textarea, select, dialog") !== null;
let lastRow = null;
document.addEventListener("focusin", (event) => {
  const row = event.target.closest("[data-row]");
  if (row) lastRow = row.id;
});
// An answer that comes late must not take away what is being typed.
document.addEventListener("htmx:oobBeforeSwap", (event) => {
  if (event.detail.target === document.activeElement) event.detail.shouldSwap = false;
});
document.addEventListener("htmx:afterSettle", () => {
  if (document.activeElement === document.body && lastRow) {
    document.getElementById(lastRow)?.focus();
  }
});

document.addEventListener("keydown", (event) => {
  const row = event.target.closest?.("[data-row]");
  if (event.key === "Escape") {
    document.querySelectorAll(".pop").forEach((p) => p.replaceChildren());
    if (row && typing(event)) row.focus();
    return;
  }
  if (event.target.closest(".find, .adder") && ["ArrowDown", "ArrowUp"].includes(event.key)) {
    walk(event);
    return;
  }
  if (event.key === "ArrowDown" && event.target.matches("[data-to-rows]")) {
    event.preventDefault();
    document.querySelector("[data-row]")?.focus();
    return;
  }
  if (event.altKey && row && ["ArrowUp", "ArrowDown"].includes(event.key)) {
    event.preventDefault();
    row.querySelector(event.key === "ArrowUp" ? "[data-up]" : "[data-down]")?.click();
    return;
  }
  if (typing(event) || event.ctrlKey || event.metaKey || event.altKey) return;
  if (event.key === "/") return press(event, document.querySelector("[data-find]"));
  if (event.key === "?") {
    event.preventDefault();
    document.getElementById("keys")?.showModal();
    return;
  }
  if (row && ["ArrowUp", "ArrowDown"].includes(event.key)) {
    const rows = [...document.querySelectorAll("[data-row]")];
    event.preventDefault();
    rows[rows.indexOf(row) + (event.key === "ArrowDown" ? 1 : -1)]?.focus();
    return;
  }
  if (row && event.key === "Enter" && event.target === row) {
    return press(event, row.querySelector("[data-edit]"));
  }
  if (document.body.dataset.singleKeys !== "true") return;
  if (row && event.key === "x") return press(event, row.querySelector("[data-remove]"));
  const anywhere = document.querySelector(`[data-key="${CSS.escape(event.key)}"]`);
  if (anywhere) press(event, anywhere);
});

function press(event, element) {
  if (!element || element.disabled) return;
  event.preventDefault();
  if (element.matches("input")) {
    element.focus();
    element.select();
  } else {
    element.click();
  }
}

/** Arrow keys through a search field and its hits. */
function walk(event) {
  const area = event.target.closest(".find, .adder");
  const stops = [area.querySelector("input"), ...area.querySelectorAll(".pop a, .pop button")];
  const at = stops.indexOf(event.target);
  const next = stops[at + (event.key === "ArrowDown" ? 1 : -1)];
  if (next) {
    event.preventDefault();
    next.focus();
  }
}

document.addEventListener("submit", (event) => {
  const form = event.target;
  if (form.matches("[data-dose-form]")) {
    // Enter commits by leaving the cell, so that a dose is saved once.
    event.preventDefault();
    form.closest("[data-row]").focus();
  }
  if (form.matches("[data-first-hit]")) {
    event.preventDefault();
    form.dataset.wanted = "true";
    takeFirstHit(form);
  }
});

/** Enter takes the first hit, once the hits are those for what stands in the field. */
function takeFirstHit(form) {
  const typed = form.querySelector("input").value.trim();
  const hits = form.querySelector("[data-hits]");
  if (!form.dataset.wanted || hits?.dataset.hits !== typed) return;
  delete form.dataset.wanted;
  hits.querySelector("a, button")?.click();
}
document.addEventListener("htmx:afterSettle", (event) => {
  const form = event.target.closest?.("[data-first-hit]");
  if (form) takeFirstHit(form);
  // A cell that the server points to is ready to be typed over.
  const pointedTo = event.target.querySelector?.("[data-focus]");
  if (pointedTo) {
    delete pointedTo.dataset.focus;
    pointedTo.focus();
    pointedTo.select();
  }
});

// ---- a palette that writes into the text last written in ------------------------------------

let lastText = null;
document.addEventListener("focusin", (event) => {
  if (event.target.matches("[data-text]")) lastText = event.target;
});

function insert(word) {
  const text = lastText?.isConnected ? lastText : document.querySelector("textarea[data-text]");
  if (!text) return;
  if (text !== lastText) text.setSelectionRange(text.value.length, text.value.length);
  text.focus();
  const before = text.value.slice(0, text.selectionStart);
  const gap = before && !/\s$/.test(before) ? " " : "";
  text.setRangeText(gap + word, text.selectionStart, text.selectionEnd, "end");
  text.dispatchEvent(new Event("input", { bubbles: true }));
}

document.addEventListener("click", (event) => {
  const word = event.target.closest("[data-insert]");
  if (word) insert(word.dataset.insert);
  const opener = event.target.closest("[data-open]");
  if (opener) document.getElementById(opener.dataset.open)?.showModal();
  const closer = event.target.closest("[data-close]");
  if (closer) closer.closest("dialog").close();
  const copier = event.target.closest("[data-copy]");
  if (copier) {
    navigator.clipboard.writeText(copier.dataset.copy).then(
      () => say("Copied."),
      () => say("Copying is not allowed here; select the text instead."));
  }
  if (!event.target.closest(".find, .adder")) {
    document.querySelectorAll(".pop").forEach((p) => p.replaceChildren());
  }
});

document.addEventListener("change", async (event) => {
  if (!event.target.matches("[data-single-keys]")) return;
  const on = event.target.checked;
  const { header, value } = token();
  const answer = await fetch("/settings/keys", {
    method: "POST",
    headers: { [header]: value },
    body: new URLSearchParams({ on }),
  });
  if (answer.ok) document.body.dataset.singleKeys = String(on);
});

// ---- sliders show their angle at once; what it does comes from the server --------------------

document.addEventListener("input", (event) => {
  if (event.target.matches("[data-angle]")) {
    event.target.nextElementSibling.textContent = `${event.target.value}°`;
  }
});

// ---- a list of ticks is one stop for the tabulator; arrows go through it -----------------------

for (const list of document.querySelectorAll("[data-roving]")) {
  const ticks = [...list.querySelectorAll("input[type=checkbox]")];
  ticks.forEach((tick, i) => (tick.tabIndex = i === 0 ? 0 : -1));
  list.addEventListener("keydown", (event) => {
    const step = { ArrowDown: 1, ArrowRight: 1, ArrowUp: -1, ArrowLeft: -1 }[event.key];
    const at = ticks.indexOf(event.target);
    if (!step || at < 0) return;
    event.preventDefault();
    ticks[(at + step + ticks.length) % ticks.length].focus();
  });
  // Whoever ticks a line takes "none of these" back, and the other way round.
  list.addEventListener("change", (event) => {
    if (!event.target.checked || event.target.type !== "checkbox") return;
    const none = event.target.name === "none";
    for (const tick of ticks) if ((tick.name === "none") !== none) tick.checked = false;
  });
}
