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

export function put(url, body) {
  write([...read().filter((e) => e.body.uploadId !== body.uploadId), { url, body }]);
}

export function drop(uploadId) {
  write(read().filter((e) => e.body.uploadId !== uploadId));
}

let sending = null;

/** Sends all that waits, in order. Answers "sent", "waiting" (no connection) or "refused". */
export function flush() {
  sending ??= send().finally(() => (sending = null));
  return sending;
}

async function send() {
  if (read().length === 0) return "sent";
  let token;
  try {
    token = await freshToken("/me/csrf");
  } catch {
    return "waiting";
  }
  let refused = false;
  for (const entry of read().filter((e) => !e.refused)) {
    let answer;
    try {
      answer = await fetch(entry.url, {
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
      write(
        read().map((e) => (e.body.uploadId === entry.body.uploadId ? { ...e, refused: true } : e)),
      );
      refused = true;
    } else {
      return "waiting";
    }
  }
  return refused ? "refused" : "sent";
}

window.addEventListener("online", () => flush());
