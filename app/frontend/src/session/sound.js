// Tones and speech. The page is told how many tones there were, which is all that can be seen of them.
const PITCH = { SWITCH_SIDE: [523, 659], SETTLE: [392], REST: [392], SET_REST: [392], EXIT: [440] };
const USUAL = [587];

let audio = null;

/** Only a tap may begin sound. */
export function begin() {
  audio = new AudioContext();
}

export function tone(kind) {
  if (!audio) return;
  (PITCH[kind] ?? USUAL).forEach((hertz, i) => {
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
}

export function speak(text) {
  if (!("speechSynthesis" in window) || !text) return;
  speechSynthesis.cancel();
  const utterance = new SpeechSynthesisUtterance(text);
  utterance.lang = document.documentElement.lang;
  speechSynthesis.speak(utterance);
}

export function hush() {
  if ("speechSynthesis" in window) speechSynthesis.cancel();
}
