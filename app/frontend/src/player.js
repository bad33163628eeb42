// Walks the steps that the server has compiled. The clock is the only thing decided here.
import { CLIENT, drop, flush, put } from "./queue.js";

const script = JSON.parse(document.getElementById("script").textContent);
const steps = script.steps;
const words = document.getElementById("words").dataset;
const $ = (id) => document.getElementById(id);
const player = $("player");

const OUT = new Set([
  "HOLD", "EXIT", "RELEASE", "MOVE_BACK", "REST", "SWITCH_SIDE", "SWITCH_DIRECTION",
]);

/** A pause in the timer longer than this means that the device slept, not that somebody worked. */
const SLEPT_MS = 15_000;

const uploadId = crypto.randomUUID();
const done = steps.map(() => 0);
let startedAt = null;
let position = 0;
let anchor = null; // performance.now() at which position was true; null while not running
let lastTick = 0;
let shown = -1;
let said = -1; // the step whose ending was said
let ended = null;
let voice = localStorage.getItem("biokinet.voice") === "on";

// ---- sound --------------------------------------------------------------------------------------

let audio = null;

function tone(kind) {
  if (!audio) return;
  const pitch = { SWITCH_SIDE: [523, 659], SETTLE: [392], REST: [392], SET_REST: [392], EXIT: [440] };
  const notes = pitch[kind] ?? [587];
  notes.forEach((hertz, i) => {
    const at = audio.currentTime + i * 0.16;
    const oscillator = audio.createOscillator();
    const gain = audio.createGain();
    oscillator.frequency.value = hertz;
    gain.gain.setValueAtTime(0, at);
    gain.gain.linearRampToValueAtTime(0.25, at + 0.02);
    gain.gain.exponentialRampToValueAtTime(0.001, at + 0.3);
    oscillator.connect(gain).connect(audio.destination);
    oscillator.start(at);
    oscillator.stop(at + 0.32);
  });
  player.dataset.tones = String(Number(player.dataset.tones ?? 0) + 1);
}

function speak(text) {
  if (!voice || !("speechSynthesis" in window) || !text) return;
  speechSynthesis.cancel();
  const utterance = new SpeechSynthesisUtterance(text);
  utterance.lang = document.documentElement.lang;
  speechSynthesis.speak(utterance);
}

// ---- the clock ----------------------------------------------------------------------------------

const now = () => performance.now();
const stepAt = (seconds) => {
  let low = 0;
  let high = steps.length - 1;
  while (low < high) {
    const middle = (low + high + 1) >> 1;
    if (steps[middle].start <= seconds) low = middle;
    else high = middle - 1;
  }
  return low;
};

/** Credits every step between where we were and where we are. */
function advance(to) {
  for (let i = stepAt(position); i < steps.length && steps[i].start < to; i++) {
    const s = steps[i];
    done[i] = Math.max(done[i], Math.min(s.seconds, to - s.start));
  }
  position = to;
}

function tick() {
  if (anchor === null) return;
  const at = now();
  if (at - lastTick > SLEPT_MS) {
    anchor = null;
    show();
    return;
  }
  lastTick = at;
  advance(Math.min(script.seconds, (at - anchor) / 1000));
  if (position >= script.seconds) finish("FINISHED");
  else show();
}

function run() {
  anchor = now() - position * 1000;
  lastTick = now();
  show();
}

function pause() {
  tick();
  anchor = null;
  show();
}

function jump(seconds) {
  tick();
  position = Math.min(seconds, script.seconds);
  if (anchor !== null) anchor = now() - position * 1000;
  shown = -1;
  said = -1;
  if (position >= script.seconds) finish("FINISHED");
  else show();
}

// ---- the screen ---------------------------------------------------------------------------------

const clock = (seconds) => `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, "0")}`;
const fill = (text, values) => text.replace(/\{(\w+)}/g, (all, key) => values[key] ?? all);

function show() {
  const i = stepAt(position);
  const s = steps[i];
  const running = anchor !== null;
  $("count").textContent = String(Math.max(1, Math.ceil(s.start + s.seconds - position - 0.001)));
  $("left").textContent = clock(Math.ceil(script.seconds - position));
  $("pause").textContent = running ? words.pause : words.goOn;
  player.dataset.state = running ? "running" : "paused";
  $("cursor").setAttribute("x", String((position / script.seconds) * 1000));
  if (running && s.ending && said !== i && s.start + s.seconds - position <= s.endingSeconds) {
    said = i;
    speak(s.ending);
  }
  if (i === shown) return;
  shown = i;
  $("progress").textContent = fill(words.progress, { n: s.item + 1, of: script.items.length });
  $("exercise").textContent = script.items[s.item];
  $("headline").textContent = s.headline;
  $("detail").textContent = s.detail;
  $("not").textContent = s.not;
  $("rep").textContent = s.count;
  $("next").textContent = next(i);
  player.dataset.step = String(i);
  player.dataset.side = s.side ?? "";
  player.dataset.toward = s.toward ?? "";
  const drawn = picture(s);
  pictures.forEach((p) => p.toggleAttribute("hidden", p !== drawn));
  player.toggleAttribute("data-drawn", drawn !== null);
  draw();
  for (const side of ["LEFT", "RIGHT"]) {
    $(`patch-${side}`).toggleAttribute("hidden", s.side !== side);
    $(`arrow-${side}`).toggleAttribute("hidden", s.toward !== side);
  }
  if (running) {
    tone(s.kind);
    speak(s.spoken);
  }
}

// ---- the figure ---------------------------------------------------------------------------------

const pictures = [...document.querySelectorAll(".picture")];
pictures.forEach((p) => p.querySelector("svg").pauseAnimations());
const still = matchMedia("(prefers-reduced-motion: reduce)");

/** The picture of a step; on the way to the first side it is already that of this side. */
function picture(s) {
  const own = pictures.filter((p) => Number(p.dataset.item) === s.item);
  if (own.length < 2) return own[0] ?? null;
  const next = steps.slice(steps.indexOf(s)).find((t) => t.item === s.item && t.side);
  const side = s.side ?? next?.side ?? player.dataset.side;
  return own.find((p) => p.dataset.side === side) ?? own[0];
}

/** Sets the figure to where the step is; with reduced motion it stands at the step's end. */
function draw(at = position) {
  if (shown < 0) return;
  const s = steps[shown];
  const svg = picture(s)?.querySelector("svg");
  if (!svg) return;
  const part = still.matches ? 1 : Math.min(1, Math.max(0, (at - s.start) / s.seconds));
  svg.setCurrentTime(s.figureFrom + (s.figureTo - s.figureFrom) * part);
}

/** What comes next: the next movement or exercise, not the way out of this one or the pause. */
function next(i) {
  for (let j = i + 1; j < steps.length; j++) {
    const s = steps[j];
    if (s.item !== steps[i].item) return script.items[s.item];
    if (!OUT.has(s.kind)) return s.headline;
  }
  return words.end;
}

// ---- the end ------------------------------------------------------------------------------------

function session(how, reason) {
  const started = startedAt ?? new Date();
  const offset = -started.getTimezoneOffset();
  const local = new Date(started.getTime() + offset * 60_000).toISOString().slice(0, 23);
  const sign = offset < 0 ? "-" : "+";
  const two = (n) => String(n).padStart(2, "0");
  const minutes = Math.abs(offset);
  return {
    uploadId,
    version: script.version,
    lead: script.lead,
    length: script.length,
    paused: script.paused,
    reEntry: script.reEntry,
    startedAt: `${local}${sign}${two(Math.floor(minutes / 60))}:${two(minutes % 60)}`,
    zone: Intl.DateTimeFormat().resolvedOptions().timeZone,
    painBefore: script.painBefore,
    ended: how,
    reason,
    done: done.map((seconds, i) => Math.min(steps[i].seconds, Math.floor(seconds + 0.05))),
  };
}

function finish(how, reason = "") {
  if (ended) return;
  ended = how;
  anchor = null;
  if ("speechSynthesis" in window) speechSynthesis.cancel();
  put("/me/sessions", session(how, reason));
  panel(how === "STOPPED" ? "stopped" : "after");
  player.dataset.state = "ended";
  sendAll();
}

/** The words follow the queue: what was said of the session is not said of the answers. */
async function sendAll() {
  say("sending");
  say(await flush());
}

function say(outcome) {
  document.querySelectorAll("[data-outcome]").forEach((e) => {
    e.textContent = words[outcome];
    e.dataset.outcome = outcome;
  });
}

function panel(name) {
  for (const p of ["ready", "running", "wrong", "known", "after", "stopped", "saved"]) {
    $(`panel-${p}`).toggleAttribute("hidden", p !== name);
  }
  $(`panel-${name}`).querySelector("h1, button")?.focus?.();
}

// ---- what the client presses --------------------------------------------------------------------

/** A page may be hours old: the server is asked, and where there is no network the lease. */
async function mayStart() {
  const asked = new URLSearchParams({
    client: CLIENT,
    version: script.version,
    pain: script.painBefore,
    length: script.length,
    reEntry: script.reEntry,
    paused: script.paused.join(","),
  });
  try {
    const answer = await fetch(`/me/may-start?${asked}`, { signal: AbortSignal.timeout(4000) });
    if (answer.ok && !answer.redirected) return (await answer.json()).may ? "yes" : "changed";
    if (answer.status < 500) return "changed"; // signed out, for one
  } catch {
    // No network, or none that answers.
  }
  return Date.now() < Date.parse(script.leaseUntil) ? "yes" : "unknown";
}

// A tap before this script was there would have been lost.
$("start").disabled = false;
$("start").addEventListener("click", async () => {
  audio = new AudioContext(); // only while the tap counts as one
  $("start").disabled = true;
  const may = await mayStart();
  $("start").disabled = false;
  $("no-lease").toggleAttribute("hidden", may !== "unknown");
  if (may === "changed") location.assign("/me/today?changed");
  if (may !== "yes") return;
  startedAt = new Date();
  navigator.wakeLock?.request("screen").catch(() => {});
  panel("running");
  run();
});
$("pause").addEventListener("click", () => (anchor === null ? run() : pause()));
$("back").addEventListener("click", () => jump(steps[steps[stepAt(position)].back].start));
$("skip").addEventListener("click", () => {
  const to = steps[stepAt(position)].skip;
  jump(to < steps.length ? steps[to].start : script.seconds);
});
$("voice").addEventListener("click", () => {
  voice = !voice;
  localStorage.setItem("biokinet.voice", voice ? "on" : "off");
  if (!voice && "speechSynthesis" in window) speechSynthesis.cancel();
  showVoice();
});
function showVoice() {
  $("voice").textContent = voice ? words.voiceOff : words.voiceOn;
}
showVoice();

$("something-wrong").addEventListener("click", () => {
  pause();
  panel("wrong");
});
/** Leaves this exercise out and goes on with the next. */
function ease() {
  panel("running");
  const to = steps[stepAt(position)].skip;
  jump(to < steps.length ? steps[to].start : script.seconds);
  if (!ended) run();
}
const exercise = () => script.items[steps[stepAt(position)].item];
$("too-strong").addEventListener("click", ease);
$("known")?.addEventListener("click", () => panel("known"));
$("known-same").addEventListener("click", () => {
  const note = fill(words.knownIn, { exercise: exercise() });
  $("note").value = [$("note").value, note].filter(Boolean).join(" ");
  ease();
});
$("known-worse").addEventListener("click", () => stop());
$("carry-on").addEventListener("click", () => {
  panel("running");
  show();
});
$("end-early").addEventListener("click", () => finish("EARLY"));
function stop() {
  finish("STOPPED", fill(words.stoppedIn, { exercise: exercise() }));
}
$("worrying").addEventListener("click", stop);

$("answers").addEventListener("submit", (event) => {
  event.preventDefault();
  const form = new FormData(event.target);
  const missing = ["highestPain", "stretchFelt"].filter((name) => form.get(name) === null);
  for (const name of ["highestPain", "stretchFelt"]) {
    $(`missing-${name}`).toggleAttribute("hidden", !missing.includes(name));
  }
  if (missing.length > 0) return;
  put("/me/check-ins", {
    uploadId: crypto.randomUUID(),
    sessionUploadId: uploadId,
    highestPain: Number(form.get("highestPain")),
    stretchFelt: Number(form.get("stretchFelt")),
    note: String(form.get("note") ?? ""),
  });
  panel("saved");
  sendAll();
});

document.addEventListener("keydown", (event) => {
  if (event.key !== " " || event.target.closest("button, input, textarea, a")) return;
  if (ended || startedAt === null || $("panel-running").hidden) return;
  event.preventDefault();
  $("pause").click();
});

window.addEventListener("online", () => ended && sendAll());

// A closed page loses nothing: what was done so far waits on the device.
window.addEventListener("pagehide", () => {
  if (startedAt && !ended) {
    tick();
    put("/me/sessions", session("EARLY", ""));
  }
});
window.addEventListener("pageshow", (event) => {
  if (event.persisted && !ended) drop(uploadId);
});

setInterval(tick, 100);

// Between two ticks the figure goes on smoothly.
(function frame() {
  if (anchor !== null && !still.matches) draw((now() - anchor) / 1000);
  requestAnimationFrame(frame);
})();
