// Counts down to the next break and asks once. When breaks are is what the server has said; a page
// without a network goes on by what it heard last, and what was told waits.
import { CLIENT, flush, put } from "../me/queue.js";
import { begin as mayTone, chosen, tone } from "../session/sound.js";

const ticker = new URL("./ticker.js", import.meta.url);
const QUIET = { way: "tones", volume: 0.5 };

const desk = document.getElementById("desk");
const element = (id) => document.getElementById(id);
const begin = element("begin");
const program = element("program");
const title = document.title;
const milliseconds = (name) => Number(desk.dataset[name]);

const numbers = (name) => (desk.dataset[name] ?? "").split(",").filter(Boolean).map(Number);
/** Each with until when it can be put off. */
const those = (plan) => plan.breaks.map((at, i) => ({ at, last: plan.last[i] }));

let breaks = those({ breaks: numbers("breaks"), last: numbers("last") });
/** By how much the clock of this device is behind. */
const behind = milliseconds("now") - Date.now();
const now = () => Date.now() + behind;

/** Meetings come and go, and a page that stays open sees the next morning; our choice. */
const AGAIN_MS = 5 * 60_000;
let heard = now();

let showing = "waits";
let lookUntil = 0;

function show(what) {
  showing = what;
  for (const id of ["waits", "asks", "runs", "does"]) element(id).hidden = id !== what;
}

const two = (n) => String(n).padStart(2, "0");
function clock(ms) {
  const s = Math.max(0, Math.ceil(ms / 1000));
  const hours = Math.floor(s / 3600);
  return (hours ? `${hours}:${two(Math.floor(s / 60) % 60)}` : Math.floor(s / 60)) + `:${two(s % 60)}`;
}

async function tell(kind) {
  const at = new Date(now());
  await put("/me/desk/moments", { uploadId: crypto.randomUUID(), kind, at: at.toISOString() }, at);
  if ((await flush()) === "sent") await ask();
}

/** What is planned now. */
async function ask() {
  heard = now();
  try {
    const answer = await fetch("/me/desk/plan", { headers: { Accept: "application/json" } });
    if (!answer.ok) return;
    const plan = await answer.json();
    // What is being asked is answered, or passes, before anything else comes.
    if (showing === "asks") return;
    breaks = those(plan);
    const tally = element("tally");
    tally.textContent = tally.dataset.words.replace("{0}", plan.had).replace("{1}", plan.planned);
  } catch {
    // Without a network it goes on by what is known.
  }
}

function call() {
  show("asks");
  tick();
  tone("READY", chosen() ?? QUIET);
  document.title = element("asks-title").textContent;
  element("take").focus();
  if (document.hidden && "Notification" in window && Notification.permission === "granted") {
    new Notification(element("asks-title").textContent, { tag: "biokinet-desk" });
  }
}

function settle() {
  // A session that is left in the middle is kept, and does not sound on behind a hidden frame.
  if (showing === "does") program.contentWindow.location.replace("about:blank");
  document.title = title;
  show("waits");
  tick();
}

function tick() {
  if (showing === "does") return;
  if (showing === "runs") {
    const left = lookUntil - now();
    element("look").textContent = String(Math.max(0, Math.ceil(left / 1000)));
    if (left <= 0 && lookUntil) {
      lookUntil = 0;
      tone("END", chosen() ?? QUIET);
    }
    return;
  }
  if (showing === "asks") {
    element("later").hidden = now() + milliseconds("later") > breaks[0].last;
    if (now() >= breaks[0].at + milliseconds("asked")) {
      breaks.shift();
      settle();
      tell("missed");
    }
    return;
  }
  // What nobody could answer, since the device slept, is not asked any more.
  while (breaks.length && now() >= breaks[0].at + milliseconds("asked")) breaks.shift();
  const next = breaks[0]?.at;
  if (now() - heard > AGAIN_MS) ask().then(tick);
  for (const id of ["to-next", "clock"]) element(id).hidden = next === undefined;
  element("none").hidden = next !== undefined;
  if (next === undefined) return;
  element("clock").textContent = clock(next - now());
  if (now() >= next) call();
}

function run() {
  lookUntil = now() + milliseconds("look");
  document.title = title;
  // Each break has a session of its own, and its pain is another answer than that of the last one.
  if (begin) begin.elements.id.value = crypto.randomUUID();
  show("runs");
  tick();
  element("runs").querySelector("[data-back]").focus();
}

// The desk program runs in the middle of this page, which goes on counting and may sound.
begin?.addEventListener("submit", () => show("does"));
program.addEventListener("load", () => {
  // What is loaded to empty it does not count.
  if (showing !== "does") return;
  if (program.contentWindow.location.pathname === location.pathname) settle();
  else program.contentWindow.focus();
});

element("take").addEventListener("click", () => {
  breaks.shift();
  run();
  tell("had");
});
element("early").addEventListener("click", () => {
  run();
  tell("had");
});
element("later").addEventListener("click", () => {
  breaks[0].at = now() + milliseconds("later");
  settle();
  tell("later");
});
element("skip").addEventListener("click", () => {
  breaks.shift();
  settle();
  tell("skipped");
});
for (const back of document.querySelectorAll("[data-back]")) back.addEventListener("click", settle);

// A browser lets a page sound only once it was touched.
const touched = () => {
  mayTone();
  element("sound").hidden = true;
};
for (const touch of ["pointerdown", "keydown"]) document.addEventListener(touch, touched, { once: true });

const notify = element("notify");
if ("Notification" in window && Notification.permission === "default") {
  notify.hidden = false;
  notify.addEventListener("click", async () => {
    await Notification.requestPermission();
    notify.hidden = true;
  });
}

document.addEventListener("visibilitychange", () => {
  if (!document.hidden && CLIENT && showing === "waits") ask().then(tick);
});
window.addEventListener("online", () => flush().then(ask).then(tick));

const beat = new Worker(ticker, { type: "module" });
beat.onmessage = tick;
beat.postMessage(1000);
tick();
