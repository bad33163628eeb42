// What the player has to send is kept on the device until the server has it.
import { freshToken } from "./csrf.js";

const KEY = "biokinet.queue";

function read() {
  try {
    return JSON.parse(localStorage.getItem(KEY) ?? "[]");
  } catch {
    return [];
  }
}

function write(queue) {
  localStorage.setItem(KEY, JSON.stringify(queue));
}

/** Whose page this is. A phone may go from hand to hand with what waits on it. */
export const CLIENT = document.querySelector('meta[name="client"]')?.content;

export function put(url, body) {
  write([...read().filter((e) => e.body.uploadId !== body.uploadId), { url, body, client: CLIENT }]);
}

export function drop(uploadId) {
  write(read().filter((e) => e.body.uploadId !== uploadId));
}

let sending = null;

/** Sends all that waits, in order. Answers "sent", "waiting" (no connection) or "refused". */
export async function flush() {
  sending ??= send().finally(() => (sending = null));
  const outcome = await sending;
  // What was put here while that went on its way may have come too late for it.
  return outcome !== "waiting" && next() ? flush() : outcome;
}

/** The first that waits for this client; what waits for another one waits until they are back. */
const next = () => read().find((e) => CLIENT && e.client === CLIENT && !e.refused);

/** How many of this client's the server has not taken: no upload to it, kept here. */
export const refused = () => read().filter((e) => e.client === CLIENT && e.refused).length;

async function send() {
  if (!next()) return "sent";
  let token;
  try {
    token = await freshToken("/me/csrf");
  } catch {
    return "waiting";
  }
  let sentBack = false;
  // Read anew each time: more may have been put here meanwhile.
  for (let entry = next(); entry; entry = next()) {
    let answer;
    try {
      answer = await fetch(`${entry.url}?client=${encodeURIComponent(entry.client)}`, {
        method: "POST",
        headers: {
          Accept: "application/json",
          "Content-Type": "application/json",
          [token.header]: token.value,
        },
        body: JSON.stringify(entry.body),
      });
    } catch {
      return "waiting";
    }
    if (answer.ok) {
      drop(entry.body.uploadId);
    } else if (answer.status === 422 || answer.status === 400) {
      // It is no upload to the server; it is kept here and does not hold up what comes after.
      const { uploadId } = entry.body;
      write(read().map((e) => (e.body.uploadId === uploadId ? { ...e, refused: true } : e)));
      sentBack = true;
    } else {
      return "waiting";
    }
  }
  return sentBack ? "refused" : "sent";
}

window.addEventListener("online", () => flush());
