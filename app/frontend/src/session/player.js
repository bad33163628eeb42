// Walks the steps that the server has compiled. The clock is the only thing decided here.
import Alpine from "../platform/alpine.js";
import { CLIENT, flush, hold, letGo, put } from "../me/queue.js";
import { Clock } from "./clock.js";
import * as sound from "./sound.js";

const VOICE = "biokinet.voice";
const TICK_MS = 100;

const two = (n) => String(n).padStart(2, "0");
const clockface = (seconds) => `${Math.floor(seconds / 60)}:${two(seconds % 60)}`;
const fill = (text, values) => text.replace(/\{(\w+)}/g, (all, key) => values[key] ?? all);

/** A moment as the client's clock shows it, with how far that is from UTC. */
function local(moment) {
  const offset = -moment.getTimezoneOffset();
  const shown = new Date(moment.getTime() + offset * 60_000).toISOString().slice(0, 23);
  const minutes = Math.abs(offset);
  return `${shown}${offset < 0 ? "-" : "+"}${two(Math.floor(minutes / 60))}:${two(minutes % 60)}`;
}

Alpine.data("player", () => {
  const script = JSON.parse(document.getElementById("script").textContent);
  const { steps } = script;
  const words = document.getElementById("words").dataset;
  const clock = new Clock(steps, script.seconds, script.sleptSeconds);
  const uploadId = crypto.randomUUID();
  const still = matchMedia("(prefers-reduced-motion: reduce)");
  let figures = [];
  let startedAt = null;
  let ended = false;
  let lastEnding = -1; // the step whose ending was said
  let cued = -1; // the step that was said and sounded

  /** The picture of a step; on the way to the first side it is already that of this side. */
  function pictureOf(i, before) {
    const { item, side } = steps[i];
    const own = figures.filter((f) => Number(f.dataset.item) === item);
    const next = side ?? steps.slice(i).find((t) => t.item === item && t.side)?.side ?? before;
    return figures.indexOf(own.find((f) => f.dataset.side === next) ?? own[0]);
  }

  /** A page may be hours old: the server is asked, and where there is no network the lease. */
  async function mayStart() {
    const asked = new URLSearchParams({
      client: CLIENT,
      program: script.program,
      version: script.version,
      pain: script.painBefore,
      length: script.length,
      beginning: script.beginning,
      paused: script.paused.join(","),
    });
    try {
      const signal = AbortSignal.timeout(script.answerSeconds * 1000);
      const answer = await fetch(`/me/may-start?${asked}`, { signal });
      if (answer.ok && !answer.redirected) return (await answer.json()).may ? "yes" : "changed";
      if (answer.status < 500) return "changed"; // signed out, for one
    } catch {
      // No network, or none that answers.
    }
    return Date.now() < Date.parse(script.leaseUntil) ? "yes" : "unknown";
  }

  return {
    /** What of the page is seen: ready, running, wrong, known, after, stopped or saved. */
    panel: "ready",
    /** ready, running, paused or ended. */
    state: "ready",
    asking: false,
    noLease: false,
    /** Index of the step that is shown, and of its picture; -1 for none. */
    at: -1,
    picture: -1,
    count: 0,
    left: "",
    cursor: 0,
    tones: 0,
    voice: localStorage.getItem(VOICE) === "on",
    missing: [],
    /** How the sending stands: sending, sent, waiting or refused; empty before. */
    outcome: "",
    sends: 0,

    init() {
      figures = [...this.$root.querySelectorAll(".picture")];
      figures.forEach((f) => f.querySelector("svg").pauseAnimations());
      setInterval(() => this.tick(), TICK_MS);
      // Between two ticks the figure goes on smoothly.
      const frame = () => {
        if (clock.running && !still.matches) this.draw(clock.moment);
        requestAnimationFrame(frame);
      };
      frame();
      window.addEventListener("online", () => ended && this.send(async () => {}));
      // A closed page loses nothing: what was done so far waits on the device.
      const leaving = () => {
        clock.tick();
        this.keep();
      };
      document.addEventListener("visibilitychange", leaving);
      window.addEventListener("pagehide", leaving);
    },

    // ---- what is seen ---------------------------------------------------------------------------

    get step() {
      return steps[this.at] ?? {};
    },
    exercise() {
      return script.items[this.step.item];
    },
    progress() {
      return fill(words.progress, { n: this.step.item + 1, of: script.items.length });
    },
    seen(figure) {
      return figures[this.picture] === figure;
    },
    running() {
      return this.state === "running";
    },
    said() {
      return this.outcome && words[this.outcome];
    },
    show(panel) {
      this.panel = panel;
      this.$nextTick(() => document.querySelector(`#panel-${panel} h1`).focus());
    },

    /** Sets the figure to where the step is; with reduced motion it stands at the step's end. */
    draw(seconds = clock.position) {
      const svg = figures[this.picture]?.querySelector("svg");
      if (!svg) return;
      const { start, seconds: length, figureFrom, figureTo } = this.step;
      const part = still.matches ? 1 : Math.min(1, Math.max(0, (seconds - start) / length));
      svg.setCurrentTime(figureFrom + (figureTo - figureFrom) * part);
    },

    /** Brings up what is seen and heard to where the clock is. */
    refresh() {
      const i = clock.index();
      const s = steps[i];
      const rest = s.start + s.seconds - clock.position;
      this.count = Math.max(1, Math.ceil(rest - 0.001));
      this.left = clockface(Math.ceil(script.seconds - clock.position));
      this.cursor = (clock.position / script.seconds) * 1000;
      this.state = clock.running ? "running" : "paused";
      if (clock.running && s.ending && lastEnding !== i && rest <= s.endingSeconds) {
        lastEnding = i;
        this.speak(s.ending);
      }
      if (i === cued) return;
      cued = i;
      this.picture = pictureOf(i, steps[this.at]?.side);
      this.at = i;
      this.draw();
      if (!clock.running) return;
      sound.tone(s.kind);
      this.tones++;
      this.speak(s.spoken);
      this.keep();
    },
    speak(text) {
      if (this.voice) sound.speak(text);
    },

    // ---- the clock ------------------------------------------------------------------------------

    tick() {
      if (!clock.running) return;
      clock.tick();
      if (clock.ended) this.finish("FINISHED");
      else this.refresh();
    },
    run() {
      clock.run();
      this.refresh();
    },
    pause() {
      this.tick();
      if (ended) return;
      clock.pause();
      this.refresh();
    },
    jump(seconds) {
      clock.jump(seconds);
      cued = -1;
      lastEnding = -1;
      if (clock.ended) this.finish("FINISHED");
      else this.refresh();
    },

    // ---- what the client presses ------------------------------------------------------------------

    async start() {
      sound.begin(); // only while the tap counts as one
      this.asking = true;
      const may = await mayStart();
      this.asking = false;
      this.noLease = may === "unknown";
      if (may === "changed") location.assign("/me/today?changed");
      if (may !== "yes") return;
      startedAt = new Date();
      hold(uploadId);
      navigator.wakeLock?.request("screen").catch(() => {});
      this.show("running");
      this.run();
    },
    goOnOrPause() {
      if (clock.running) this.pause();
      else this.run();
    },
    space(event) {
      if (this.panel !== "running" || event.target.closest("button, input, textarea, a")) return;
      event.preventDefault();
      this.goOnOrPause();
    },
    back() {
      this.jump(steps[steps[clock.index()].back].start);
    },
    skip() {
      this.jump(steps[steps[clock.index()].skip]?.start ?? script.seconds);
    },
    turnVoice() {
      this.voice = !this.voice;
      localStorage.setItem(VOICE, this.voice ? "on" : "off");
      if (!this.voice) sound.hush();
    },
    wrong() {
      this.pause();
      if (!ended) this.show("wrong");
    },
    carryOn() {
      this.show("running");
      this.refresh();
    },
    /** Leaves this exercise out and goes on with the next. */
    ease() {
      this.show("running");
      this.skip();
      if (!ended) this.run();
    },
    knownSame() {
      const { note } = this.$refs;
      note.value = [note.value, fill(words.knownIn, { exercise: this.exercise() })].filter(Boolean).join(" ");
      this.ease();
    },
    stop() {
      this.finish("STOPPED", fill(words.stoppedIn, { exercise: this.exercise() }));
    },
    endEarly() {
      this.finish("EARLY");
    },

    // ---- the end --------------------------------------------------------------------------------

    session(how, reason) {
      return {
        uploadId,
        program: script.program,
        version: script.version,
        lead: script.lead,
        length: script.length,
        paused: script.paused,
        beginning: script.beginning,
        startedAt: local(startedAt),
        zone: Intl.DateTimeFormat().resolvedOptions().timeZone,
        painBefore: script.painBefore,
        ended: how,
        reason,
        done: clock.done(),
      };
    },
    /** What was done so far, should this be the last that the page does. */
    async keep() {
      if (startedAt && !ended) await put("/me/sessions", this.session("EARLY", ""), startedAt);
    },
    async finish(how, reason = "") {
      if (ended) return;
      ended = true;
      clock.pause();
      const session = this.session(how, reason);
      sound.hush();
      this.state = "ended";
      this.show(how === "STOPPED" ? "stopped" : "after");
      await this.send(async () => {
        await put("/me/sessions", session, startedAt);
        letGo(uploadId);
      });
    },
    /** The words follow the queue: what comes of the session is not said of the answers. */
    async send(keep) {
      const mine = ++this.sends;
      this.outcome = "sending";
      await keep();
      const outcome = await flush();
      if (mine === this.sends) this.outcome = outcome;
    },
    async answer({ target }) {
      const form = new FormData(target);
      this.missing = ["highestPain", "stretchFelt"].filter((name) => form.get(name) === null);
      if (this.missing.length > 0) return;
      const told = {
        uploadId: crypto.randomUUID(),
        sessionUploadId: uploadId,
        highestPain: Number(form.get("highestPain")),
        stretchFelt: Number(form.get("stretchFelt")),
        note: String(form.get("note") ?? ""),
      };
      this.show("saved");
      await this.send(() => put("/me/check-ins", told));
    },
  };
});
