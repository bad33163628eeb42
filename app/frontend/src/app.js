// The practitioner's pages: fragments, keys, and a sign-in that keeps the page.
import htmx from "htmx.org";
import { freshToken, token } from "./csrf.js";
import { prepareMaps } from "./map.js";

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
  const { person } = await answer.json();
  if (person !== lock.dataset.person) {
    // What stands here was for somebody else's eyes.
    location.assign("/");
    return;
  }
  await freshToken("/csrf");
  form.reset();
  error.textContent = "";
  form.closest("dialog").close();
  document.body.classList.remove("locked-away");
  here();
  for (const [elt, { verb, path }] of interrupted) {
    if (elt.isConnected) htmx.ajax(verb, path, { source: elt });
  }
  interrupted.clear();
  say("Signed in.");
});

// ---- nobody is here: the page is covered and signed out, and comes back as it was ----------------

const lock = document.getElementById("sign-in-again");
const IDLE_MS = Number(lock?.dataset.idleMinutes) * 60_000;
/** So often the server is told that somebody is here, who may be typing for long. */
const TOLD_MS = IDLE_MS / 3;
const ACTIVE = "biokinet.active"; // shared by all tabs: when somebody was here last
const LOCKED = "biokinet.locked"; // and when a tab has locked all of them
let told = Date.now();
let noted = 0;
function here() {
  const now = Date.now();
  if (lock?.open || now - noted < 1000) return;
  noted = now;
  localStorage.setItem(ACTIVE, String(now));
  if (now - told < TOLD_MS) return;
  told = now;
  fetch("/csrf", { headers: { Accept: "application/json" }, cache: "no-store" }).catch(() => {});
}
for (const kind of ["keydown", "pointerdown", "input", "wheel"]) {
  document.addEventListener(kind, here, { passive: true, capture: true });
}
const idle = () => Date.now() - Number(localStorage.getItem(ACTIVE)) >= IDLE_MS;
function cover() {
  if (document.body.classList.contains("locked-away")) return;
  document.body.classList.add("locked-away");
  lock.querySelector("[data-why]").textContent =
    `Nobody was here for ${lock.dataset.idleMinutes} minutes, so the page is locked. Sign in; it is still as you left it.`;
  if (!lock.open) lock.showModal();
}
async function lockIfIdle() {
  if (!lock || document.body.classList.contains("locked-away") || !idle()) return;
  cover();
  // All tabs find at the same moment that nobody is here; one of them signs out.
  if (navigator.locks) await navigator.locks.request(LOCKED, signOut);
  else await signOut();
}
async function signOut() {
  const when = (key) => Number(localStorage.getItem(key));
  if (when(LOCKED) > when(ACTIVE)) return;
  localStorage.setItem(LOCKED, String(Date.now()));
  const { header, value } = token();
  await fetch("/sign-out", { method: "POST", headers: { [header]: value } }).catch(() => {});
}
if (lock) {
  localStorage.setItem(ACTIVE, String(Date.now()));
  // Each tab asks for the password: somebody else may have signed in in another one.
  window.addEventListener("storage", (event) => event.key === LOCKED && cover());
  window.addEventListener("pageshow", lockIfIdle);
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

// A finding on Plan looks for what it names.
document.addEventListener("click", (event) => {
  const search = event.target.closest("[data-search]");
  const add = document.getElementById("add");
  if (!search || !add) return;
  add.value = search.dataset.search;
  add.focus();
  add.dispatchEvent(new Event("input", { bubbles: true }));
});

// ---- measuring: marks on the map, a stopwatch, an inclinometer -----------------------------------

document.addEventListener("htmx:afterRequest", (event) => {
  if (event.target.matches?.("[data-clears]") && event.detail.xhr.status < 300) event.target.reset();
});
// Alt I reads the instrument for the field in focus, so that Tab goes from number to number.
document.addEventListener("keydown", (event) => {
  if (!event.altKey || event.code !== "KeyI") return;
  const opener = event.target.closest?.("form")?.querySelector("[data-stream]");
  if (!opener) return;
  event.preventDefault();
  opener.click();
});

document.addEventListener("htmx:oobAfterSwap", prepareMaps);
document.addEventListener("htmx:afterRequest", (event) => {
  if (event.target.matches?.("[data-mark-form]") && event.detail.successful) document.getElementById("mark").close();
});

const stopwatch = document.querySelector("[data-stopwatch]");
if (stopwatch) {
  const button = stopwatch.querySelector("[data-stopwatch-button]");
  const shown = stopwatch.querySelector("[data-stopwatch-shown]");
  let since = null;
  const tick = () => {
    if (since === null) return;
    shown.textContent = ((performance.now() - since) / 1000).toFixed(1);
    requestAnimationFrame(tick);
  };
  const press = () => {
    if (since === null) {
      since = performance.now();
      button.textContent = "Stop";
      tick();
      return;
    }
    const field = stopwatch.elements.seconds;
    field.value = Math.floor((performance.now() - since) / 1000);
    since = null;
    button.textContent = "Start";
    field.dispatchEvent(new Event("change", { bubbles: true }));
  };
  button.addEventListener("click", press);
  document.addEventListener("keydown", (event) => {
    const open = stopwatch.closest("details").open;
    const writing = event.target.closest("input, textarea, select, button, a, summary, dialog, .spot");
    if (event.key !== " " || !open || (writing && writing !== button)) return;
    event.preventDefault();
    press();
  });
}

/** Large angles, readings taken by stillness or with Enter; spoken, since hands and eyes are busy. */
document.addEventListener("click", (event) => {
  const opener = event.target.closest("[data-stream]");
  if (!opener) return;
  const field = document.getElementById(opener.dataset.for);
  const dialog = document.getElementById("inclinometer");
  const angle = dialog.querySelector("[data-angle]");
  const list = dialog.querySelector("[data-taken]");
  const state = dialog.querySelector("[data-state]");
  const strict = document.getElementById("strict").checked;
  dialog.querySelector("h2").textContent = opener.getAttribute("aria-label").replace("Inclinometer: ", "");
  const taken = [];
  const speak = (text) => {
    if (!window.speechSynthesis) return;
    speechSynthesis.cancel();
    speechSynthesis.speak(new SpeechSynthesisUtterance(text));
  };
  const show = () => (list.textContent = taken.map((t) => `${t}°`).join("   "));
  const add = (degrees) => {
    if (taken.length >= 6) return;
    taken.push(degrees);
    show();
    speak(`${Math.round(degrees)} degrees`);
  };
  let now = null;
  show();
  const how = opener.dataset.how;
  state.textContent = `${how[0].toUpperCase()}${how.slice(1)}. Rest in the middle, then move to the end and hold.`;
  const stream = new EventSource(`${opener.dataset.stream}&strict=${strict}`);
  stream.addEventListener("angle", (e) => {
    now = Number(e.data);
    angle.textContent = `${Math.abs(Math.round(now))}°`;
    if (taken.length) state.textContent = "";
  });
  stream.addEventListener("taken", (e) => add(Number(e.data)));
  stream.addEventListener("lost", () => (state.textContent = "Nothing arrives from the inclinometer; it goes on when it is back."));
  stream.addEventListener("enough", () => finish());
  stream.onerror = () => (state.textContent = "The connection is gone; it is tried again.");
  const keys = (e) => {
    if (e.key !== "Enter" || now === null) return;
    e.preventDefault();
    add(Math.abs(Math.round(now * 10) / 10));
  };
  const finish = () => {
    stream.close();
    dialog.close();
  };
  dialog.addEventListener("keydown", keys);
  dialog.addEventListener(
    "close",
    () => {
      stream.close();
      dialog.removeEventListener("keydown", keys);
      if (taken.length) {
        field.value = taken.join(" ");
        field.form.elements.device.value = "true";
        field.dispatchEvent(new Event("change", { bubbles: true }));
        field.form.elements.device.value = "false";
      }
      field.focus();
    },
    { once: true },
  );
  dialog.querySelector("[data-finish]").onclick = finish;
  angle.textContent = "–";
  dialog.showModal();
});

// ---- marking a photograph: where the marks lie; angles are the server's --------------------------

const MARKS = [
  ["plumbTop", "true line, top", 0.9, 0.15],
  ["plumbBottom", "true line, foot", 0.9, 0.85],
  ["tragus", "tragus", 0.55, 0.2],
  ["c7", "C7", 0.4, 0.3],
  ["shoulder", "shoulder", 0.5, 0.4],
];

function prepareMarking(root) {
  const ns = "http://www.w3.org/2000/svg";
  const stage = root.querySelector("[data-stage]") ?? root.querySelector("[data-sample] svg");
  const glass = root.querySelector("[data-glass]");
  const box = stage.viewBox.baseVal;
  stage.setAttribute("role", "group"); // marks on it are buttons
  if (!glass.firstChild) glass.append(...[...stage.childNodes].map((n) => n.cloneNode(true)));
  const unit = Math.max(box.width, box.height) / 100;
  const facing = root.dataset.facing;
  const kept = root.querySelector("[data-marks]");
  const start = kept ? JSON.parse(kept.textContent) : null;
  const points = {};
  const shapes = {};
  const say = (selector, text) => {
    const place = root.querySelector(selector);
    if (place) place.textContent = text ?? "";
  };

  const line = document.createElementNS(ns, "path");
  line.setAttribute("class", "mark-lines");
  line.setAttribute("stroke-width", unit / 4);
  stage.append(line);
  const crosshair = document.createElementNS(ns, "path");
  crosshair.setAttribute("class", "mark-lines");
  crosshair.setAttribute("stroke-width", unit / 16);
  glass.append(crosshair);

  const draw = () => {
    for (const [name] of MARKS) {
      shapes[name].setAttribute("transform", `translate(${points[name].x} ${points[name].y})`);
    }
    const to = (a) => `${points[a].x} ${points[a].y}`;
    line.setAttribute("d", `M${to("plumbTop")} L${to("plumbBottom")} M${to("c7")} L${to("tragus")} M${to("c7")} L${to("shoulder")}`);
  };
  const look = (name) => {
    const { x, y } = points[name];
    const reach = unit * 4;
    glass.setAttribute("viewBox", `${x - reach} ${y - reach} ${2 * reach} ${2 * reach}`);
    crosshair.setAttribute("d", `M${x - reach} ${y} H${x + reach} M${x} ${y - reach} V${y + reach}`);
  };
  const place = (at) => {
    for (const [name, , x, y] of MARKS) points[name] = at(name, x, y);
  };
  const anywhere = (name, x, y) => ({
    x: box.x + box.width * (x + (Math.random() - 0.5) * 0.16),
    y: box.y + box.height * (y + (Math.random() - 0.5) * 0.16),
  });
  const marks = () => ({ facing, ...points });

  const post = async (address, body) => {
    const { header, value } = token();
    const answer = await fetch(address, {
      method: "POST",
      headers: { "Content-Type": "application/json", Accept: "application/json", [header]: value },
      body: JSON.stringify(body),
    });
    if (!answer.ok) return { problem: "That was not kept; try once more." };
    return answer.json();
  };
  let pending = null;
  const changed = () => {
    draw();
    if (!root.dataset.save) return;
    clearTimeout(pending);
    pending = setTimeout(async () => {
      const said = await post(root.dataset.save, marks());
      say("[data-angles]", said.angles);
      say("[data-problem]", said.problem);
    }, 250);
  };

  for (const [name, label] of MARKS) {
    const shape = document.createElementNS(ns, "g");
    shape.setAttribute("class", "landmark");
    shape.setAttribute("tabindex", "0");
    shape.setAttribute("role", "button");
    shape.setAttribute("aria-label", label);
    shape.innerHTML = `<circle r="${unit * 1.6}" stroke-width="${unit / 4}"/><text x="${unit * 2}" y="${-unit}" font-size="${unit * 2.6}">${label}</text>`;
    shapes[name] = shape;
    stage.append(shape);
    shape.addEventListener("focus", () => look(name));
    shape.addEventListener("keydown", (event) => {
      const step = (event.shiftKey ? 10 : 1) * (unit / 10);
      const way = { ArrowUp: [0, -step], ArrowDown: [0, step], ArrowLeft: [-step, 0], ArrowRight: [step, 0] }[event.key];
      if (!way) return;
      event.preventDefault();
      points[name] = { x: points[name].x + way[0], y: points[name].y + way[1] };
      look(name);
      changed();
    });
    shape.addEventListener("pointerdown", (event) => {
      event.preventDefault();
      shape.focus();
      shape.setPointerCapture(event.pointerId);
    });
    shape.addEventListener("pointermove", (event) => {
      if (!shape.hasPointerCapture(event.pointerId)) return;
      const at = new DOMPoint(event.clientX, event.clientY).matrixTransform(stage.getScreenCTM().inverse());
      points[name] = { x: at.x, y: at.y };
      look(name);
      draw();
    });
    shape.addEventListener("pointerup", changed);
  }
  place(start ? (name) => start[name] : anywhere);
  draw();
  look("tragus");

  const rounds = [];
  root.querySelector("[data-next]")?.addEventListener("click", async () => {
    rounds.push(marks());
    const all = Number(root.dataset.repeats);
    if (rounds.length < all) {
      say("[data-round]", `${rounds.length + 1} of ${all}`);
      place(anywhere);
      draw();
      return;
    }
    const said = await post(root.dataset.practise, structuredClone(rounds));
    rounds.length = 0;
    say("[data-angles]", said.error);
    say("[data-problem]", said.problem);
    say("[data-round]", `1 of ${all}`);
    place(anywhere);
    draw();
  });
}
document.querySelectorAll("[data-marking]").forEach(prepareMarking);
