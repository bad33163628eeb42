// Keeps the pages of who is in, and lets a new version of the application take over between sessions.
import { Workbox } from "workbox-window";
import { CLIENT, betweenSessions, playing } from "../me/queue.js";
import * as vault from "./vault.js";

const HERE_MS = 60_000;
/** Whoever ends a session goes on to another page at once. */
const STAYS_MS = 2000;

/**
 * Lets the new worker take over as soon as no session runs, from a page that stays: in Chromium a
 * worker that is told to step aside just before a page is opened is started anew for that, and then
 * steps aside only when it has been idle.
 */
async function takeTurns(worker) {
  if (await betweenSessions(() => new Promise((stayed) => setTimeout(stayed, STAYS_MS, true)))) worker.messageSkipWaiting();
  // A session has begun meanwhile.
  else if (navigator.locks) await takeTurns(worker);
}

async function fetchAll() {
  await vault.adopt(CLIENT);
  const worker = new Workbox("/me/worker.js", { scope: "/me/", type: "classic" });
  worker.addEventListener("waiting", () => takeTurns(worker));
  const sync = async () => (await navigator.serviceWorker.ready).active.postMessage({ type: "SYNC" });
  worker.addEventListener("controlling", ({ isUpdate }) => isUpdate && sync());
  const registered = worker.register();
  // Not after it: where the browser looks for a new version first, that can take it a minute.
  await Promise.all([sync(), registered]);
}

export async function keep() {
  if (!CLIENT || !vault.able() || !navigator.serviceWorker) return;
  await fetchAll().catch(() => {}); // a device that keeps nothing has nothing to open
  const here = () => document.hidden || vault.stay().catch(() => {});
  setInterval(here, HERE_MS);
  document.addEventListener("visibilitychange", async () => {
    // Whoever comes back after a while is asked for the PIN, should there be no network.
    const away = !document.hidden && !navigator.onLine && !(await playing());
    if (away && (await vault.standing()) === "locked") location.reload();
    else await here();
  });
}
