// Tones, speech and vibration, as the person on this device has chosen to be told.

const CHOSEN = "biokinet.ear";
const SILENCE = 0.0008; // a browser lets a hidden page go on that can be heard, however little

/** In hertz, one after the other. */
const PITCH = {
  READY: [392], START: [587], HOLD: [784], HALF: [659, 659], LAST: [880],
  OUT: [440], REST: [349], CHANGE: [523, 659], END: [523, 659, 784], PAUSED: [392, 330],
};
/** In milliseconds, on and off in turns. */
const BUZZ = {
  START: [90], HOLD: [40, 60, 40], HALF: [40], LAST: [25], OUT: [180], CHANGE: [90, 80, 90],
  END: [300], PAUSED: [200, 100, 200], READY: [40], REST: [60],
};

/** How one is told: by voice and tones, by tones, by vibration, or on the screen only. */
export const WAYS = ["voice", "tones", "vibration", "screen"];

function stored() {
  try {
    return JSON.parse(localStorage.getItem(CHOSEN));
  } catch {
    return null;
  }
}

/** What was chosen on this device; null before. */
export const chosen = stored;

export function choose(ear) {
  try {
    localStorage.setItem(CHOSEN, JSON.stringify(ear));
  } catch {
    // A device that keeps nothing is asked again next time.
  }
}

export const canVibrate = "vibrate" in navigator;
export const canSpeak = "speechSynthesis" in window;

/** The voices of the page's language, by name. */
export function voices() {
  const language = document.documentElement.lang.slice(0, 2);
  return canSpeak ? speechSynthesis.getVoices().filter((v) => v.lang.startsWith(language)) : [];
}

let audio = null;

/** Only a tap may begin sound; a device without any goes on without. */
export function begin() {
  try {
    audio ??= new AudioContext();
    audio.resume();
  } catch {
    audio = null;
  }
}

/** As long as this sounds, far below hearing, a page in the background keeps its time. */
export function keepAwake() {
  if (!audio) return () => {};
  const carrier = audio.createOscillator();
  const gain = audio.createGain();
  carrier.frequency.value = 40;
  gain.gain.value = SILENCE;
  carrier.connect(gain).connect(audio.destination);
  carrier.start();
  return () => carrier.stop();
}

/** Sound stops with a call, and comes back only when asked to. */
export const comeBack = () => audio?.resume();

export function tone(kind, ear) {
  if (ear.way === "screen") return;
  if (ear.way === "vibration") {
    if (canVibrate) navigator.vibrate(BUZZ[kind]);
    return;
  }
  if (!audio) return;
  const loud = 0.3 * ear.volume;
  PITCH[kind].forEach((hertz, i) => {
    const at = audio.currentTime + i * 0.16;
    const oscillator = audio.createOscillator();
    const gain = audio.createGain();
    oscillator.frequency.value = hertz;
    gain.gain.setValueAtTime(0, at);
    gain.gain.linearRampToValueAtTime(loud, at + 0.02);
    gain.gain.exponentialRampToValueAtTime(0.0005, at + 0.3);
    oscillator.connect(gain).connect(audio.destination);
    oscillator.start(at);
    oscillator.stop(at + 0.32);
  });
}

export function speak(text, ear) {
  if (!canSpeak || ear.way !== "voice" || !text) return;
  speechSynthesis.cancel();
  const utterance = new SpeechSynthesisUtterance(text);
  utterance.lang = document.documentElement.lang;
  utterance.voice = voices().find((v) => v.name === ear.voice) ?? null;
  utterance.volume = ear.volume;
  speechSynthesis.speak(utterance);
}

export function hush() {
  if (canSpeak) speechSynthesis.cancel();
  if (canVibrate) navigator.vibrate(0);
}
