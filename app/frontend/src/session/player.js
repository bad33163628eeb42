// Walks the steps and sounds that the server has compiled. The clock is all that is decided here.
import Alpine from "../platform/alpine.js";
import { showAt, showPoses, standStill } from "../platform/figure.js";
import { local } from "../platform/time.js";
import { CLIENT, PLAYER, flush, hold, letGo, put, takeOver } from "../me/queue.js";
import { Clock } from "./clock.js";
import { forget, remember, unfinished } from "./kept.js";
import * as sound from "./sound.js";

/** Every sound has a timer of its own; between them this is often enough for a countdown. */
const TICK_MS = 200;
/** What nobody has answered is said again after so long. */
const AGAIN_MS = 8000;
/** More of it tells nothing: somebody plays with the buttons. */
const MOST_PRESSED = 500;

const two = (n) => String(n).padStart(2, "0");
const clockface = (seconds) => `${Math.floor(seconds / 60)}:${two(seconds % 60)}`;
const fill = (text, values) => text.replace(/\{(\w+)}/g, (all, key) => values[key] ?? all);

Alpine.data("player", () => {
  const script = JSON.parse(document.getElementById("script").textContent);
  const { preview } = script;
  // A page from the device was made for whatever pain there would be; the address says which.
  const named = new URLSearchParams(location.search).get("pain");
  const painBefore = named === null ? script.painBefore : Number(named);
  const words = document.getElementById("words").dataset;
  const walk = (w) => ({ ...w, clock: new Clock(w.steps, w.seconds, script.sleptSeconds) });
  const main = walk(script);
  /** What is walked now: the session, or for a while what takes the place of a part of it. */
  let { steps, sounds, clock } = main;
  let inPlace = null; // what takes that place; null in the session itself
  const still = matchMedia("(prefers-reduced-motion: reduce)");
  const same = JSON.stringify([
    script.program, script.version, script.length, script.beginning, script.paused, script.lead, script.seconds,
  ]);
  let uploadId = crypto.randomUUID();
  let revision = 0;
  let figures = [];
  let startedAt = null;
  let ended = false;
  let endedHow = "";
  let seenStep = -1;
  let heard = 0; // index of the first sound that is still to come
  let lastSaid = "";
  let pausedAt = 0; // by the device's clock; 0 while it runs
  let asleep = false; // paused by the device, and nobody has answered yet
  let reminded = 0;
  let nextSound = 0; // its timer
  let worker = null;
  let awake = () => {};
  let eased = new Set(); // what was made easier, as it is sent
  let pressed = []; // back, on, too strong, as they are sent

  const partOf = ({ item, side }) => item + (side?.charAt(0) ?? "");
  const follow = (w) => ({ steps, sounds, clock } = w);
  /** What of this was a form of its own, not a smaller dose. */
  const replaced = (sent = [...eased]) => script.instead.filter((x) => sent.includes(x.sent));

  /** What a step of the session takes away from itself by all that was made easier. */
  function shorterBy(i) {
    if (main.clock.cuts.has(i)) return 0;
    const { seconds, easy } = main.steps[i];
    const least = eased.has(partOf(main.steps[i])) ? easy : seconds;
    return seconds - Math.min(least, ...replaced().map((x) => x.left[i]));
  }

  /** Seconds until all is over. */
  function remaining() {
    const { position, length } = main.clock;
    const now = main.clock.index();
    const fallsAway = main.steps.reduce((sum, { start, seconds }, i) => {
      if (i < now) return sum;
      return sum + (i > now ? shorterBy(i) : Math.min(shorterBy(i), start + seconds - position));
    }, 0);
    return length - position - fallsAway + (inPlace ? clock.length - clock.position : 0);
  }

  /** The picture of a step; on the way to the first side it is already that of this side. */
  function pictureOf(i, before) {
    const { item, side } = steps[i];
    const code = inPlace?.exercise; // the pictures of the session have none
    const own = figures.filter((f) => Number(f.dataset.item) === item && f.dataset.instead === code);
    const next = side ?? steps.slice(i).find((t) => t.item === item && t.side)?.side ?? before;
    return figures.indexOf(own.find((f) => f.dataset.side === next) ?? own[0]);
  }

  /** A page may be hours old: the server is asked, and where there is no network the lease. */
  async function mayStart() {
    if (preview) return "yes";
    const asked = new URLSearchParams({
      client: CLIENT,
      program: script.program,
      version: script.version,
      pain: painBefore,
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

  /** Where the exercise begins in which a step stands. */
  function beginningOf(i) {
    let first = i;
    while (first > 0 && steps[first - 1].skip === steps[i].skip) first--;
    return steps[first].start;
  }

  return {
    /** What of the page is seen: ready, running, wrong, known, after, stopped, saved, elsewhere. */
    panel: "ready",
    /** ready, running, paused or ended. */
    state: "ready",
    asking: false,
    noLease: false,
    /** A session that was broken off and can be gone on with. */
    unfinished: null,
    /** How one is told, and whether that was ever chosen. */
    ear: { way: "voice", volume: 0.8, voice: "", breath: false },
    earKnown: false,
    voices: [],
    /** Whether the device has refused to keep its screen on. */
    dark: false,
    /** Index of the step that is shown, and of its picture; -1 for none. */
    at: -1,
    picture: -1,
    count: 0,
    left: "",
    breathOf: "",
    notice: "",
    cursor: 0,
    saving: false,
    /** How often something was made easier. */
    easings: 0,
    /** Which parts were too strong, as it was tapped while they were done. */
    strong: [],
    /** The name of what is done in place of something; empty in the session itself. */
    instead: "",
    /** Highest pain and stretch felt as they are answered; -1 until then. */
    highest: -1,
    felt: -1,
    /** Whether how it ended, or what was answered, can still be put right. */
    mayRedo: false,
    /** Whether it ended because the pause was too long. */
    tooLate: false,
    /** How the sending stands: sending, sent, waiting or refused; empty before. */
    outcome: "",
    sends: 0,

    init() {
      figures = [...this.$root.querySelectorAll(".picture")];
      figures.forEach(standStill);
      const known = sound.chosen();
      this.earKnown = known !== null;
      Object.assign(this.ear, known);
      this.voices = sound.voices().map((v) => v.name);
      if (sound.canSpeak) speechSynthesis.onvoiceschanged = () => (this.voices = sound.voices().map((v) => v.name));
      const kept = unfinished();
      if (kept?.same === same && !preview) this.unfinished = kept;
      setInterval(() => this.tick(), TICK_MS);
      // Between two ticks the figure goes on smoothly, for whoever wants motion.
      const frame = () => {
        if (still.matches) return;
        if (clock.running) {
          this.draw(clock.moment);
          this.pace(clock.moment);
        }
        requestAnimationFrame(frame);
      };
      frame();
      still.addEventListener("change", frame);
      window.addEventListener("online", () => ended && this.send(async () => {}));
      // A closed page loses nothing: what was done so far waits on the device.
      document.addEventListener("visibilitychange", () => {
        this.tick();
        this.keep();
        this.inBackground(document.hidden);
      });
      window.addEventListener("pagehide", () => {
        this.tick();
        this.keep();
      });
    },

    // ---- what is seen ---------------------------------------------------------------------------

    get step() {
      return (this.instead ? inPlace.steps : main.steps)[this.at] ?? {};
    },
    exercise() {
      return this.instead || script.items[this.step.item];
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
    /** Long words are set smaller, so that everything stays in its place. */
    size() {
      const letters = this.step.headline?.length ?? 0;
      return letters > 44 ? "small" : letters > 22 ? "middle" : "large";
    },
    paced() {
      return this.step.breaths > 0 || (this.ear.breath && this.step.breath > 0);
    },
    brokenOff() {
      return this.unfinished === null ? "" : this.unfinished.exercise;
    },
    startCss() {
      return this.unfinished === null ? "primary" : "";
    },
    /** Only who has done both sides can say which was tighter. */
    pairDone(row) {
      const item = Number(row.dataset.item);
      const worked = clock.done();
      const done = (side) =>
        this.state === "ended" && steps.some((s, i) => s.item === item && s.side === side && s.work && worked[i] > 0);
      return done("LEFT") && done("RIGHT");
    },
    /** What of it was answered so far; -1 for nothing. */
    told({ target }) {
      if (target.name === "highestPain") this.highest = Number(target.value);
      if (target.name === "stretchFelt") this.felt = Number(target.value);
    },
    rose() {
      return this.highest >= painBefore + script.roseBy;
    },
    overCeiling() {
      return this.felt > script.ceiling;
    },
    /** Where it was too strong: asked by what was felt, and of what was tapped; never without an answer. */
    asksStrong() {
      return [...this.$root.querySelectorAll("[data-stretch]")].some((label) => this.mayBeStrong(label));
    },
    mayBeStrong(label) {
      const { done, stretch } = label.dataset;
      return this.strong.includes(done) || (stretch === "true" && this.overCeiling() && this.partDone(label));
    },
    partDone(label) {
      if (this.state !== "ended") return false;
      const worked = clock.done();
      return steps.some((s, i) => s.work && partOf(s) === label.dataset.done && worked[i] > 0);
    },
    /** Nothing of it was done, and it was not still to come. */
    itemSkipped(row) {
      if (this.state !== "ended") return false;
      const item = Number(row.dataset.item);
      const worked = clock.done();
      if (replaced().some((x) => x.item === item)) return false;
      const own = steps.map((s, i) => i).filter((i) => steps[i].item === item && steps[i].work);
      return own.length > 0 && own.every((i) => worked[i] === 0 && steps[i].start < clock.position);
    },
    anySkipped() {
      return [...this.$root.querySelectorAll("[data-skipped]")].some((row) => this.itemSkipped(row));
    },
    anyPair() {
      return [...this.$root.querySelectorAll(".pair")].some((row) => this.pairDone(row));
    },
    mayUndoEnd() {
      return this.mayRedo && this.state === "ended" && endedHow === "EARLY" && !this.tooLate;
    },
    show(panel) {
      this.panel = panel;
      this.$nextTick(() => document.querySelector(`#panel-${panel} h1`).focus());
    },

    /** Sets the figure to where the step is; with reduced motion its poses stand side by side. */
    draw(seconds = clock.position) {
      const { start, seconds: length, figureFrom, figureTo } = this.step;
      const part = Math.min(1, Math.max(0, (seconds - start) / length));
      const at = figureFrom + (figureTo - figureFrom) * part;
      if (still.matches) showPoses(figures[this.picture], at, figureTo);
      else showAt(figures[this.picture], at);
    },

    /** The circle that swells as one breathes in and sinks as one breathes out. */
    pace(seconds) {
      const { start, breath } = this.step;
      if (!this.paced()) return;
      const part = ((seconds - start) % breath) / breath;
      const full = part < script.inward ? part / script.inward : (1 - part) / (1 - script.inward);
      this.$refs.pacer.setAttribute("r", (22 + 18 * full).toFixed(1));
    },

    /** Brings up what is seen to where the clock is. */
    refresh() {
      const i = clock.index();
      const s = steps[i];
      const rest = s.start + s.seconds - clock.position - (inPlace ? 0 : shorterBy(i));
      this.count = Math.max(1, Math.ceil(rest - 0.001));
      this.left = clockface(Math.ceil(remaining()));
      this.cursor = (main.clock.position / main.clock.length) * 1000;
      this.state = clock.running ? "running" : "paused";
      const passed = s.breaths > 0 ? Math.floor((clock.position - s.start) / s.breath) : 0;
      this.breathOf = s.breaths > 0 ? fill(words.breath, { n: Math.min(s.breaths, passed + 1), of: s.breaths }) : "";
      if (i === seenStep) {
        this.draw(); // whoever wants motion may just have changed their mind
        return;
      }
      seenStep = i;
      this.picture = pictureOf(i, steps[this.at]?.side);
      this.at = i;
      this.draw();
      this.keep();
    },

    // ---- what is heard --------------------------------------------------------------------------

    /** All that was due by now; after a gap only the last words, since the others are over. */
    listen() {
      const due = [];
      while (heard < sounds.length && sounds[heard].at <= clock.position + 0.001) due.push(sounds[heard++]);
      const last = (what) => due.filter(what).at(-1);
      const late = due.length > 0 && clock.position - due[0].at > 1;
      const tones = due.filter((d) => d.tone);
      const texts = due.filter((d) => d.text && (!d.breath || this.ear.breath));
      for (const t of late ? [last((d) => d.tone)].filter(Boolean) : tones) this.play(t.tone);
      for (const t of late ? texts.slice(-1) : texts) this.say(t.text);
    },
    play(tone) {
      this.note(tone, "");
      sound.tone(tone, this.ear);
    },
    say(text) {
      lastSaid = text;
      this.note("", text);
      sound.speak(text, this.ear);
    },
    /** Writes down what was heard, and at which second. */
    note(tone, text) {
      const line = document.createElement("li");
      line.dataset.at = clock.position.toFixed(2);
      line.dataset.tone = tone;
      line.textContent = text;
      line.hidden = !text;
      this.$refs.log.append(line);
    },
    /** What comes next is heard from here on. */
    listenFrom(seconds) {
      const next = sounds.findIndex((s) => s.at >= seconds - 0.001);
      heard = next < 0 ? sounds.length : next;
    },

    // ---- how one is told ------------------------------------------------------------------------

    chooseEar({ target }) {
      const { name, type, value, checked } = target;
      this.ear[name] = type === "checkbox" ? checked : name === "volume" ? Number(value) : value;
      sound.choose(this.ear);
      if (this.ear.way !== "voice") sound.hush();
    },
    tryEar() {
      sound.begin();
      sound.tone("START", this.ear);
      sound.speak(words.tryOut, this.ear);
    },

    // ---- the clock ------------------------------------------------------------------------------

    tick() {
      if (asleep && Date.now() - reminded > AGAIN_MS) this.remind();
      if (!clock.running) return;
      if (clock.tick()) {
        this.slept();
        return;
      }
      this.shorten();
      this.listen();
      if (clock.ended) this.over();
      else this.refresh();
      this.awaitSound();
    },
    /** The end of what is walked. */
    over() {
      if (inPlace) this.backToSession();
      else this.finish("FINISHED");
    },
    /** Takes out the middle of a step that was made easier, so that its beginning and end are heard. */
    shorten() {
      if (inPlace) return;
      for (let i = clock.index(); !clock.ended; i = clock.index()) {
        const by = shorterBy(i);
        const { start, seconds } = steps[i];
        const stays = seconds - by;
        if (by === 0 || (stays > 0 && clock.position - start < stays / 2)) return;
        clock.cut(i, Math.min(by, start + seconds - clock.position));
        this.listenFrom(clock.position);
      }
    },
    /** The next sound comes to the moment, not with the next tick. */
    awaitSound() {
      clearTimeout(nextSound);
      const next = sounds[heard];
      if (clock.running && next) nextSound = setTimeout(() => this.tick(), ((next.at - clock.moment) * 1000) / clock.speed);
    },
    /** The device slept: nobody is left waiting in silence. */
    slept() {
      asleep = true;
      pausedAt = Date.now();
      this.notice = words.slept;
      this.refresh();
      this.remind();
    },
    remind() {
      reminded = Date.now();
      this.play("PAUSED");
      this.say(words.slept);
    },
    run() {
      if (Date.now() - pausedAt > script.returnSeconds * 1000 && pausedAt > 0) {
        this.tooLate = true;
        this.finish("EARLY");
        return;
      }
      const away = asleep || (pausedAt > 0 && Date.now() - pausedAt > script.sleptSeconds * 1000);
      asleep = false;
      pausedAt = 0;
      this.notice = "";
      if (away) this.fromBeginning();
      else if (lastSaid && sounds[heard]?.at > clock.position + 1) sound.speak(lastSaid, this.ear);
      clock.run();
      this.listen();
      this.refresh();
      this.awaitSound();
    },
    /** Whoever was away begins the exercise again. */
    fromBeginning() {
      this.notice = fill(words.again, { exercise: this.exercise() });
      this.to(beginningOf(clock.index()));
    },
    pause() {
      this.tick();
      if (ended || !clock.running) return;
      clock.pause();
      pausedAt = Date.now();
      sound.hush();
      this.play("PAUSED");
      this.refresh();
      this.keep();
    },
    /** Goes to a second of the session, running or not. */
    to(seconds) {
      clock.jump(seconds);
      seenStep = -1;
      lastSaid = "";
      this.listenFrom(clock.position);
      sound.hush();
    },
    jump(seconds) {
      this.to(seconds);
      if (clock.ended) {
        this.over();
        return;
      }
      if (pausedAt > 0) pausedAt = Date.now(); // whoever looks around in a pause has not gone away
      if (clock.running) this.listen();
      this.refresh();
      this.awaitSound();
    },
    inBackground(hidden) {
      if (hidden && clock.running) {
        worker ??= new Worker(new URL("./ticker.js", import.meta.url));
        worker.onmessage = () => this.tick();
        worker.postMessage(TICK_MS);
      } else {
        worker?.postMessage(0);
      }
      if (hidden) return;
      sound.comeBack();
      if (startedAt && !ended) this.stayOn();
    },
    /** Asks for the screen to stay on, and says so where the device will not. */
    async stayOn() {
      try {
        await navigator.wakeLock.request("screen");
        this.dark = false;
      } catch {
        this.dark = !document.hidden;
      }
    },

    // ---- what the client presses ------------------------------------------------------------------

    async start() {
      this.unfinished = null;
      await this.begin(() => {
        startedAt = new Date();
        clock.restore(steps.map(() => 0), 0);
      });
    },
    /** Goes on with what was broken off, from the beginning of that exercise. */
    async resume() {
      const kept = this.unfinished;
      await this.begin(() => {
        uploadId = kept.uploadId;
        revision = kept.revision + 1;
        const from = beginningOf(clock.index(kept.position));
        const here = steps[clock.index(from)].item;
        // The exercise begins again as it is, and can be made easier again.
        pressed = kept.pressed ?? [];
        eased = new Set(kept.eased.filter((e) => replaced([e]).every((x) => x.item !== here)));
        this.easings = eased.size;
        startedAt = new Date(kept.startedAt);
        clock.restore(kept.worked, from);
      });
    },
    async begin(setUp) {
      if (this.asking) return;
      sound.begin(); // only while the tap counts as one
      sound.choose(this.ear);
      this.asking = true;
      const may = await mayStart();
      this.asking = false;
      this.noLease = may === "unknown";
      if (may === "changed") location.assign("/me/today?changed");
      if (may !== "yes") return;
      setUp();
      // The address says which side leads, so that a reload is the same session.
      const here = new URL(location.href);
      here.searchParams.set("lead", script.lead);
      history.replaceState(null, "", here);
      awake = sound.keepAwake();
      // Whoever plays it in another window stops there: nothing is done twice.
      if (!preview) {
        takeOver(PLAYER, () => this.displaced());
        hold(uploadId);
      }
      this.stayOn();
      this.listenFrom(clock.position);
      this.show("running");
      this.run();
    },
    displaced() {
      if (ended) return; // there is nothing to be done twice, and answers may stand half given
      clock.pause();
      ended = true;
      awake();
      letGo(uploadId);
      sound.hush();
      this.state = "ended";
      this.show("elsewhere");
    },
    /** Of a preview. */
    quicker({ target }) {
      clock.at(Number(target.value));
      this.awaitSound();
    },
    goOnOrPause() {
      if (clock.running) this.pause();
      else this.run();
    },
    space(event) {
      if (this.panel !== "running" || event.target.closest("input, textarea, select, summary")) return;
      event.preventDefault(); // a button in focus is not pressed by it
      if (event.type === "keydown" && !event.repeat) this.goOnOrPause();
    },
    /** Of the session, also while something takes the place of a part of it. */
    press(what) {
      const { position } = main.clock;
      const part = partOf(main.steps[main.clock.index()]);
      if (pressed.length < MOST_PRESSED) pressed.push(`${what} ${part} ${Math.floor(position)}`);
    },
    back() {
      this.press("BACK");
      this.jump(steps[steps[clock.index()].back].start);
    },
    skip() {
      this.press("SKIP");
      this.leave();
    },
    leave() {
      this.jump(steps[steps[clock.index()].skip]?.start ?? clock.length);
    },
    /**
     * A smaller movement, and one step less from here on: of this side, or of both before it begins.
     * Where there is no smaller dose, an easier form in its place; where there is none, only the first.
     */
    easier() {
      const now = steps[clock.index()];
      const part = partOf(now);
      const instead = inPlace ? null : script.instead.find((x) => x.part === part);
      this.easings++;
      sound.hush();
      if (instead) {
        eased.add(instead.sent);
        this.inPlaceOf(instead);
      } else {
        const own = steps.filter((s) => s.work && s.item === now.item && (!now.side || s.side === now.side));
        if (!inPlace) own.forEach((s) => eased.add(partOf(s)));
        this.notice = own.some((s) => s.easy < s.seconds) ? words.easier : words.easierLeast;
        this.say(this.notice);
      }
      this.tick();
      this.keep();
    },
    /** Walks what takes the place of a part. */
    inPlaceOf(instead) {
      const { running, speed } = clock;
      clock.pause();
      inPlace = walk(instead);
      follow(inPlace);
      clock.at(speed);
      this.instead = instead.name;
      this.to(0);
      this.notice = fill(words.instead, { exercise: instead.name });
      if (running) clock.run();
      this.listen();
      this.refresh();
    },
    /** Goes on in the session, where the part that was replaced falls away. */
    backToSession() {
      const { running, speed } = clock;
      this.inSession();
      clock.at(speed);
      if (running) clock.run();
      this.shorten();
      if (clock.ended) {
        this.finish("FINISHED");
        return;
      }
      if (running) this.listen();
      this.refresh();
      this.awaitSound();
    },
    inSession() {
      if (!inPlace) return;
      clock.pause();
      follow(main);
      inPlace = null;
      this.instead = "";
      this.notice = "";
      seenStep = -1;
      lastSaid = "";
      this.listenFrom(clock.position);
    },
    isEased() {
      return this.easings > 0 && this.at >= 0 && (this.instead !== "" || eased.has(partOf(this.step)));
    },
    wrong() {
      this.pause();
      if (!ended) this.show("wrong");
    },
    carryOn() {
      this.show("running");
      this.run();
    },
    /** It is told which side that was, and the exercise is left out. */
    tooStrong() {
      this.press("TOO_STRONG");
      const part = partOf(this.step);
      const where = this.$root.querySelector(`[name="tooStrong"][value="${part}"]`);
      if (where) {
        where.checked = true;
        this.strong = [...this.strong, part];
      }
      this.ease();
    },
    /** Leaves this exercise out and goes on with the next. */
    ease() {
      const because = this.$root.querySelector(`[name="skipped-${this.step.item}"][value="HURT"]`);
      if (because) because.checked = true;
      this.show("running");
      this.leave();
      if (!ended) this.run();
    },
    knownSame() {
      this.press("SKIP");
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
        revision,
        program: script.program,
        version: script.version,
        lead: script.lead,
        length: script.length,
        paused: script.paused,
        beginning: script.beginning,
        startedAt: local(startedAt),
        zone: Intl.DateTimeFormat().resolvedOptions().timeZone,
        painBefore,
        ended: how,
        reason,
        done: main.clock.done(),
        eased: [...eased],
        pressed,
      };
    },
    /** What was done so far, should this be the last that the page does. */
    async keep() {
      if (!startedAt || ended || preview) return;
      remember({
        same,
        url: location.pathname + location.search,
        uploadId,
        revision,
        startedAt: startedAt.toISOString(),
        worked: main.clock.worked,
        eased: [...eased],
        pressed,
        position: main.clock.position,
        exercise: script.items[main.steps[main.clock.index()].item],
        until: Date.now() + script.returnSeconds * 1000,
      });
      await put("/me/sessions", this.session("EARLY", ""), startedAt);
    },
    async finish(how, reason = "") {
      if (ended) return;
      ended = true;
      endedHow = how;
      clock.pause();
      this.inSession();
      const session = this.session(how, reason);
      if (how !== "FINISHED") sound.hush();
      if (!preview) forget();
      awake();
      this.state = "ended";
      this.mayRedo = how !== "FINISHED";
      this.whileItCan(() => (this.mayRedo = false));
      this.show(how === "STOPPED" ? "stopped" : "after");
      await this.send(async () => {
        await put("/me/sessions", session, startedAt);
        letGo(uploadId);
      });
    },
    whileItCan(over) {
      setTimeout(over, script.putRightSeconds * 1000);
    },
    /** It was ended by mistake: it goes on, and what was sent of it is put right. */
    async undoEnd() {
      this.mayRedo = false;
      revision++;
      if (endedHow === "STOPPED") {
        // First the stop is taken back, since nothing may be started while it stands.
        await this.send(() => put("/me/sessions", this.session("EARLY", ""), startedAt));
        if (this.outcome === "refused" || (await mayStart()) !== "yes") {
          location.assign("/me/today?changed");
          return;
        }
        revision++;
      }
      ended = false;
      this.outcome = "";
      hold(uploadId);
      awake = sound.keepAwake();
      pausedAt = Date.now();
      this.to(beginningOf(clock.index()));
      this.show("running");
      this.run();
    },
    /** The words follow the queue: what comes of the session is not said of the answers. */
    async send(keep) {
      if (preview) return;
      const mine = ++this.sends;
      this.outcome = "sending";
      await keep();
      const outcome = await flush();
      if (mine === this.sends) this.outcome = outcome;
    },
    /** Nothing must be answered, and what was not is not 0. */
    answers() {
      const form = new FormData(document.getElementById("answers"));
      const number = (name) => (form.get(name) === null ? null : Number(form.get(name)));
      const tighter = script.pairs
        .filter((item) => form.get(`tighter-${item}`) !== null)
        .map((item) => [item, form.get(`tighter-${item}`)]);
      const skipped = script.items
        .map((name, item) => [item, form.get(`skipped-${item}`)])
        .filter(([, reason]) => reason !== null);
      return {
        uploadId: crypto.randomUUID(),
        sessionUploadId: uploadId,
        highestPain: number("highestPain"),
        stretchFelt: number("stretchFelt"),
        tighter: Object.fromEntries(tighter),
        provoked: this.rose() ? form.getAll("provoked") : [],
        tooStrong: this.asksStrong() ? form.getAll("tooStrong") : [],
        skipped: Object.fromEntries(skipped),
        note: String(form.get("note") ?? ""),
      };
    },
    async answer() {
      if (this.saving) return;
      this.saving = true;
      const told = this.answers();
      this.show("saved");
      this.mayRedo = true;
      this.whileItCan(() => (this.mayRedo = false));
      await this.send(() => put("/me/check-ins", told));
      this.saving = false;
    },
    /** The newest answers are those that count. */
    changeAnswers() {
      this.show("after");
    },
  };
});
