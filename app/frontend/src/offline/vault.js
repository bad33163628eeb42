// What a device keeps of a client's pages, to be opened without a network. Each page is sealed by a
// key that needs no PIN; it is opened by one that lies here wrapped by the PIN. That keeps out who
// picks up a telephone, not who takes its storage apart: a PIN of six digits can be tried out.
import { openDB } from "idb";

/** Away for so long, the PIN is asked again; our choice. */
const AWAY_MS = 5 * 60_000;
/** For SHA-256: the least that is advised for passwords (OWASP; value recalled from memory). */
const ROUNDS = 600_000;
/** Wrong PINs before one has to wait, and before all that is kept is deleted; our choice. */
const TRIES = 5;
const MOST_TRIES = 10;
const WAIT_MS = 60_000;
/** A PIN that was just right has led to a page within that time. */
const JUST_NOW_MS = 2 * 60_000;

const DOOR = "door";
const OPEN = "open";
const CANDIDATE = "candidate";
const PLAN = "plan";

const db = openDB("biokinet-kept", 1, {
  upgrade(made) {
    made.createObjectStore("state");
    made.createObjectStore("pages");
  },
});

const state = async (name) => (await db).get("state", name);
const write = async (name, value) => (await db).put("state", value, name);
const erase = async (name) => (await db).delete("state", name);

const RSA = { name: "RSA-OAEP", modulusLength: 2048, publicExponent: new Uint8Array([1, 0, 1]), hash: "SHA-256" };
const random = (bytes) => crypto.getRandomValues(new Uint8Array(bytes));

/** Whether this device and this address can keep anything: without TLS there is no cryptography. */
export const able = () => Boolean(globalThis.crypto?.subtle && globalThis.indexedDB);

export const keyPair = () => crypto.subtle.generateKey(RSA, true, ["encrypt", "decrypt"]);

async function ofPin(pin, salt) {
  const raw = await crypto.subtle.importKey("raw", new TextEncoder().encode(pin), "PBKDF2", false, ["deriveKey"]);
  return crypto.subtle.deriveKey(
    { name: "PBKDF2", hash: "SHA-256", salt, iterations: ROUNDS },
    raw,
    { name: "AES-GCM", length: 256 },
    false,
    ["wrapKey", "unwrapKey"],
  );
}

/** A door for the PIN that was typed; whether it was right is not known yet. */
export async function prepare(pair, typed) {
  const { publicKey, privateKey } = await pair;
  const salt = random(16);
  const iv = random(12);
  const wrapped = await crypto.subtle.wrapKey("pkcs8", privateKey, await ofPin(typed.replace(/\s/g, ""), salt), {
    name: "AES-GCM",
    iv,
  });
  await write(CANDIDATE, { publicKey, wrapped, salt, iv, at: Date.now() });
  await write(OPEN, { privateKey: await unextractable(privateKey), until: Date.now() + AWAY_MS });
}

async function unextractable(key) {
  const raw = await crypto.subtle.exportKey("pkcs8", key);
  return crypto.subtle.importKey("pkcs8", raw, RSA, false, ["decrypt"]);
}

/** The PIN was wrong. */
export async function dismiss() {
  if (!(await state(CANDIDATE))) return;
  await erase(CANDIDATE);
  await erase(OPEN);
}

/** A page of this client has come: the PIN that was typed a moment ago was theirs. */
export async function adopt(client) {
  const typed = await state(CANDIDATE);
  const fresh = typed && Date.now() - typed.at < JUST_NOW_MS;
  const door = await state(DOOR);
  const now = await state(OPEN); // that of the PIN that was typed last
  if (fresh || (door && door.client !== client)) await wipe();
  if (typed) await erase(CANDIDATE);
  if (!fresh) return;
  await write(DOOR, { ...typed, client, tries: 0, waitUntil: 0 });
  await write(OPEN, now);
}

/** Whose pages may be kept here; undefined where nobody's are. */
export const owner = async () => (await state(DOOR))?.client;

/** Deletes all that can be read. What waits to be sent is elsewhere. */
export async function wipe() {
  const kept = await db;
  await kept.clear("pages");
  for (const name of [DOOR, OPEN, PLAN]) await erase(name);
}

export const plan = () => state(PLAN);
export const setPlan = (made) => write(PLAN, made);

/** Deletes the pages that are not wanted any more, by their address and when they were kept. */
export async function keepOnly(wanted) {
  const kept = await db;
  for (const address of await kept.getAllKeys("pages")) {
    const { at } = await kept.get("pages", address);
    if (!wanted(address, at)) await kept.delete("pages", address);
  }
}

/** Keeps a page under its address; nothing where nobody's pages are kept. */
export async function seal(address, answer) {
  const door = await state(DOOR);
  if (!door) return;
  const key = await crypto.subtle.generateKey({ name: "AES-GCM", length: 256 }, true, ["encrypt", "decrypt"]);
  const iv = random(12);
  const sealed = await crypto.subtle.encrypt({ name: "AES-GCM", iv }, key, await answer.arrayBuffer());
  const raw = await crypto.subtle.exportKey("raw", key);
  const keyed = await crypto.subtle.encrypt({ name: "RSA-OAEP" }, door.publicKey, raw);
  const headers = ["Content-Type", "Content-Security-Policy"].map((name) => [name, answer.headers.get(name) ?? ""]);
  await (await db).put("pages", { sealed, keyed, iv, headers, at: Date.now() }, address);
}

/** The key that opens, as long as nobody was away too long. */
async function opener() {
  const kept = await state(OPEN);
  if (kept && kept.until > Date.now()) return kept.privateKey;
  if (kept) await erase(OPEN);
  return null;
}

/** @returns {Promise<"none" | "locked" | "open">} how it stands */
export async function standing() {
  if (!(await state(DOOR))) return "none";
  return (await opener()) ? "open" : "locked";
}

/** Somebody is here. */
export async function stay() {
  const kept = await state(OPEN);
  if (kept && kept.until > Date.now()) await write(OPEN, { ...kept, until: Date.now() + AWAY_MS });
}

/** A page that is kept; null where it is not, or the PIN is to be asked. */
export async function open(address) {
  const page = await (await db).get("pages", address);
  const privateKey = page && (await opener());
  if (!privateKey) return null;
  const raw = await crypto.subtle.decrypt({ name: "RSA-OAEP" }, privateKey, page.keyed);
  const key = await crypto.subtle.importKey("raw", raw, "AES-GCM", false, ["decrypt"]);
  const body = await crypto.subtle.decrypt({ name: "AES-GCM", iv: page.iv }, key, page.sealed);
  // The page says how old it is. Each time that it is opened its forms are new ones.
  const opened = new TextDecoder()
    .decode(body)
    .replace("<head>", `<head><meta name="kept" content="${page.at}">`)
    .replace(/(<input type="hidden" name="id" value=")[^"]*/g, (all, before) => before + crypto.randomUUID());
  return new Response(opened, { headers: page.headers });
}

/**
 * Tries a PIN.
 *
 * @returns {Promise<{opened?: boolean, wait?: number, left?: number, wiped?: boolean}>} whether it was
 *   right; how many seconds to wait; how many tries are left; or that all was deleted
 */
export async function unlock(typed) {
  const door = await state(DOOR);
  if (!door) return { wiped: true };
  const wait = door.waitUntil - Date.now();
  if (wait > 0) return { wait: Math.ceil(wait / 1000) };
  // Counted before it is tried: who reloads meanwhile has tried all the same.
  const tries = door.tries + 1;
  const waitUntil = tries >= TRIES ? Date.now() + WAIT_MS : 0;
  await write(DOOR, { ...door, tries, waitUntil });
  try {
    const key = await ofPin(typed.replace(/\s/g, ""), door.salt);
    const privateKey = await crypto.subtle.unwrapKey(
      "pkcs8",
      door.wrapped,
      key,
      { name: "AES-GCM", iv: door.iv },
      RSA,
      false,
      ["decrypt"],
    );
    await write(OPEN, { privateKey, until: Date.now() + AWAY_MS });
    await write(DOOR, { ...door, tries: 0, waitUntil: 0 });
    return { opened: true };
  } catch {
    if (tries >= MOST_TRIES) {
      await wipe();
      return { wiped: true };
    }
    return { left: MOST_TRIES - tries };
  }
}
