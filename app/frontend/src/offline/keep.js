// Keeps the pages of who is in, and lets a new version of the application take over between sessions.
import { Workbox } from "workbox-window";
import { CLIENT, playing } from "../me/queue.js";
import * as vault from "./vault.js";

const HERE_MS = 60_000;

async function keep() {
  await vault.adopt(CLIENT);
  const worker = new Workbox("/me/worker.js", { scope: "/me/", type: "classic" });
  worker.addEventListener("waiting", async () => {
    if (!(await playing())) worker.messageSkipWaiting();
  });
  const sync = async () => (await navigator.serviceWorker.ready).active.postMessage({ type: "SYNC" });
  worker.addEventListener("controlling", sync);
  await worker.register();
  await sync();
}

if (CLIENT && vault.able() && navigator.serviceWorker) {
  await keep().catch(() => {}); // a device that keeps nothing has nothing to open
  const here = () => document.hidden || vault.stay().catch(() => {});
  setInterval(here, HERE_MS);
  document.addEventListener("visibilitychange", async () => {
    // Whoever comes back after a while is asked for the PIN, should there be no network.
    const away = !document.hidden && !navigator.onLine && !(await playing());
    if (away && (await vault.standing()) === "locked") location.reload();
    else await here();
  });
}
