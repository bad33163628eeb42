// What a client's page has to send is kept on the device until the server has it.
import { freshToken, post } from "../platform/csrf.js";
import { WAITING, open } from "./waiting.js";

/** Whose page this is. A phone may go from hand to hand with what waits on it. */
export const CLIENT = document.querySelector('meta[name="client"]')?.content;

const device = open();

/** What the page of a session holds. */
export const PLAYER = "biokinet.player";

/** What a device that keeps nothing would lose; this page keeps it while it is open. */
const unkept = new Map();

/** In the order in which they came to be. */
async function all() {
  const kept = await device.then((db) => db.getAllFromIndex(WAITING, "order")).catch(() => []);
  return [...kept, ...unkept.values()];
}

async function write(entry) {
  try {
    const transaction = (await device).transaction(WAITING, "readwrite");
    transaction.store.put(entry);
    // Not to wait for answers: the page may be on its way out.
    transaction.commit();
    await transaction.done;
    unkept.delete(entry.id);
  } catch {
    unkept.set(entry.id, entry);
  }
}

/** Puts what is to be sent to an address, in the place of what was put under its id before. */
export const put = (url, body, since = new Date()) =>
  write({ id: body.uploadId, url, body, client: CLIENT, order: since.getTime() });

/** What was put in its place while it was on its way stays. */
async function drop(sent) {
  unkept.delete(sent.id);
  try {
    const transaction = (await device).transaction(WAITING, "readwrite");
    const now = await transaction.store.get(sent.id);
    if (now?.body?.revision === sent.body?.revision) await transaction.store.delete(sent.id);
    await transaction.done;
  } catch {
    // A device that keeps nothing has nothing to drop.
  }
}

const mine = async () => (await all()).filter((e) => e.client === CLIENT);

/** How many of this client's the server has not taken: no upload to it, kept here. */
export const refused = async () => (await mine()).filter((e) => e.refused).length;

/** How many of this client's are still to be sent; one that a page still writes on is not. */
export async function unsent() {
  const busy = await held();
  return (await mine()).filter((e) => !e.refused && !busy.includes(e.id)).length;
}

const written = new Set();
const holding = new Map();

/** A page that still writes on its entry holds it, as long as it is open; nobody sends it. */
export function hold(id) {
  written.delete(id);
  navigator.locks?.request(id, () => new Promise((release) => holding.set(id, release)));
}
export function letGo(id) {
  written.add(id);
  holding.get(id)?.();
  holding.delete(id);
}

/** Whether a session of this client runs in any page. */
export async function playing() {
  const { held: locks = [] } = (await navigator.locks?.query()) ?? {};
  return locks.some((lock) => lock.name === `${PLAYER}.${CLIENT}`);
}

/** Does something as soon as no session of this client runs in any page; nothing comes of it once one begins. */
export const betweenSessions = (then) => navigator.locks?.request(`${PLAYER}.${CLIENT}`, then).catch(() => {});

/** Takes something from whichever other page of this client has it; told when another takes it. */
export function takeOver(name, lost) {
  navigator.locks?.request(`${name}.${CLIENT}`, { steal: true }, () => new Promise(() => {})).catch(lost);
}

async function held() {
  const { held: locks = [] } = (await navigator.locks?.query()) ?? {};
  return locks.map((lock) => lock.name).filter((id) => !written.has(id));
}

/** The first that waits for this client; what waits for another one waits until they are back. */
async function next() {
  const busy = await held();
  return (await all()).find((e) => CLIENT && e.client === CLIENT && !e.refused && !busy.includes(e.id));
}

let sending = null;

/** Sends all that waits, in order. Answers "sent", "waiting" (no connection) or "refused". */
export async function flush() {
  sending ??= send().finally(() => (sending = null));
  const outcome = await sending;
  // What was put here while that went on its way may have come too late for it.
  return outcome !== "waiting" && (await next()) ? flush() : outcome;
}

async function send() {
  if (!(await next())) return "sent";
  let sentBack = false;
  try {
    await freshToken("/me/csrf");
    // Read anew each time: more may have been put here meanwhile.
    for (let entry = await next(); entry; entry = await next()) {
      const address = `${entry.url}?client=${encodeURIComponent(entry.client)}`;
      const answer = entry.form
        ? await post(address, entry.form, { "Content-Type": "application/x-www-form-urlencoded" })
        : await post(address, JSON.stringify(entry.body), { "Content-Type": "application/json" });
      // Whoever is not let in any more is led away.
      if (answer.redirected && new URL(answer.url).pathname === "/me/gone") return "waiting";
      if (answer.ok) {
        await drop(entry);
      } else if (answer.status === 422 || answer.status === 400) {
        // It is no upload to the server; it is kept here and does not hold up what comes after.
        await write({ ...entry, refused: true });
        sentBack = true;
      } else {
        return "waiting";
      }
    }
  } catch {
    return "waiting";
  }
  return sentBack ? "refused" : "sent";
}

window.addEventListener("online", () => flush());
