// A session that is not over is kept on the device at every step, so that it can be gone on with
// after a reload, a call or a flat battery.
import { CLIENT } from "../me/queue.js";

const EACH = "biokinet.session.";
const KEY = EACH + CLIENT;

/** What is kept and not too old to be gone on with; null where nothing is. */
export function unfinished() {
  try {
    const kept = JSON.parse(localStorage.getItem(KEY));
    return kept && Date.now() < kept.until ? kept : null;
  } catch {
    return null;
  }
}

export function remember(session) {
  try {
    localStorage.setItem(KEY, JSON.stringify(session));
  } catch {
    // What was done is on its way to the server all the same.
  }
}

export function forget() {
  try {
    localStorage.removeItem(KEY);
  } catch {
    // Nothing was kept either.
  }
}

/** Of everybody. */
export function forgetAll() {
  try {
    Object.keys(localStorage)
      .filter((key) => key.startsWith(EACH))
      .forEach((key) => localStorage.removeItem(key));
  } catch {
    // Nothing was kept.
  }
}
