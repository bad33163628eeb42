// Answers for the client's pages where there is no network: from what is kept on the device.
import { cacheNames } from "workbox-core";
import { cleanupOutdatedCaches, matchPrecache, precacheAndRoute } from "workbox-precaching";
import { registerRoute } from "workbox-routing";
import { CacheFirst } from "workbox-strategies";
import { local } from "../platform/time.js";
import { WAITING, open, putForm } from "../me/waiting.js";
import * as vault from "./vault.js";

/** A network that has not answered by then is none. */
const PATIENCE_MS = 8000;
const LOCKED = "/me/without-network";
const AWAY = { status: 503, headers: { "Content-Type": "text/plain" } };
/** Files of the version before this one, or of a server that is newer. */
const OTHERS = "other-files";

// Scripts, styles and fonts carry what is in them in their name.
precacheAndRoute(self.KEPT_FILES);
cleanupOutdatedCaches();
const others = new CacheFirst({ cacheName: OTHERS });
registerRoute(
  ({ url }) => url.pathname.startsWith("/built/"),
  // The version that waits to take over may have brought it already.
  async (asked) => (await caches.match(asked.request)) ?? others.handle(asked),
);

/** Pages that are kept still ask for the files they were made with. */
async function keepOld() {
  const [before, old] = [await caches.open(cacheNames.precache), await caches.open(OTHERS)];
  for (const request of await before.keys()) {
    if (!new URL(request.url).search) await old.put(request, await before.match(request));
  }
}

const html = { headers: { Accept: "text/html" }, cache: "no-store" };
const HERE = self.location.href;

/** The address under which a page is kept: how much pain there is, is no part of it. */
function addressOf(url) {
  const address = new URL(url, HERE);
  for (const name of ["pain", "told", "changed", "missing", "sent"]) address.searchParams.delete(name);
  address.searchParams.sort();
  return address.pathname + address.search;
}

/** Whether an address is meant by one that names no more than it does. */
function means(url, address) {
  const kept = new URL(address, HERE);
  const named = new URL(addressOf(url), HERE);
  return (
    kept.pathname === named.pathname &&
    [...named.searchParams].every(([name, value]) => kept.searchParams.get(name) === value)
  );
}

const first = (addresses, url) => addresses.find((address) => means(url, address));

/** Under which address a page is kept; null where it is none that may be. */
function pageOf(plan, url) {
  if (!plan) return null;
  const { pathname } = new URL(url, HERE);
  const opened = plan.opened.some((path) => pathname === path || pathname.startsWith(`${path}/`));
  return first(plan.pages, url) ?? (opened ? url : null);
}

/** Longer than that nobody exercises by what the server said before. */
const over = (plan) => Date.now() > Date.parse(plan.until);

async function fromNetwork(request) {
  const answer = await fetch(request, { signal: AbortSignal.timeout(PATIENCE_MS) });
  // What stands before a server that is down says so with one of these.
  if ([502, 503, 504].includes(answer.status)) throw new Error(String(answer.status));
  return answer;
}

/** A page from the device, or what is to be said instead. */
async function fromDevice(url) {
  const plan = await vault.plan();
  const address = plan && over(plan) ? plan.over : pageOf(plan, url);
  const page = address && (await vault.open(addressOf(address)).catch(() => null));
  if (page) await vault.stay();
  return page ?? (await matchPrecache(LOCKED)) ?? new Response("No network.", AWAY);
}

registerRoute(
  ({ request }) => request.mode === "navigate",
  async ({ request, url, event }) => {
    try {
      const answer = await fromNetwork(request);
      if (url.pathname === "/me/gone") event.waitUntil(vault.wipe());
      if (answer.ok && !answer.redirected) event.waitUntil(keepOpened(url, answer.clone()));
      return answer;
    } catch {
      return fromDevice(url);
    }
  },
);

/** Keeps what was opened just now, if it is of what is kept. */
async function keepOpened(url, answer) {
  const address = pageOf(await vault.plan(), url);
  if (address) await vault.seal(addressOf(address), answer);
}

/** Of the sessions that wait here, which the server cannot have counted. */
async function waiting(client, program) {
  const all = await (await open()).getAll(WAITING);
  return all.filter((e) => e.client === client && e.url === "/me/sessions" && e.body.program === program).length;
}

/** Keeps a form until there is a network. */
function keepForm(form, url) {
  form.delete("_csrf");
  form.set("toldAt", local(new Date()));
  return putForm(url.pathname, form, form.get("client"));
}

/** The pain of now: what the server decides from it, it has said before for each. */
async function start(form, url) {
  const plan = await vault.plan();
  const pain = Number(form.get("pain"));
  if (!plan || over(plan)) return fromDevice(url);
  if (!plan.mayStartWith.includes(pain)) {
    await keepForm(form, url);
    return Response.redirect(plan.rest, 303);
  }
  const wanted = new URL("/me/player", HERE);
  for (const name of ["program", "length"]) if (form.has(name)) wanted.searchParams.set(name, form.get(name));
  // Those of the program and length that the first one is of: they take turns.
  const begun = new URL(first(plan.players, wanted) ?? plan.rest, HERE);
  begun.searchParams.delete("lead");
  const turns = plan.players.filter((address) => means(begun, address));
  if (turns.length === 0) return fromDevice(url);
  const done = await waiting(plan.client, begun.searchParams.get("program"));
  const next = new URL(turns[done % turns.length], HERE);
  next.searchParams.set("pain", pain);
  return Response.redirect(next, 303);
}

async function told(form, url) {
  await keepForm(form, url);
  return Response.redirect("/me/today?told", 303);
}

/** Of the others one is told that they need a network. */
const notSent = () => Response.redirect(`${LOCKED}?not-sent`, 303);

const FORMS = {
  "/me/today": start,
  "/me/settled": told,
  "/me/morning": told,
  "/me/self-check": told,
  "/me/messages": told,
  "/me/log": told,
};

registerRoute(
  ({ request, url }) => request.mode === "navigate" && url.pathname.startsWith("/me/"),
  async ({ request, url }) => {
    const again = request.clone();
    try {
      return await fromNetwork(request);
    } catch {
      return (FORMS[url.pathname] ?? notSent)(await again.formData(), url);
    }
  },
  "POST",
);

/** Fetches all that may be needed without a network, where it is not what lies here already. */
async function sync() {
  if (!(await vault.owner())) return;
  const answer = await fetch("/me/kept", { headers: { Accept: "application/json" }, cache: "no-store" });
  if (answer.status === 401) await vault.wipe();
  if (!answer.ok) return;
  const plan = await answer.json();
  if (plan.client !== (await vault.owner())) return;
  const before = await vault.plan();
  const same = before?.mark === plan.mark;
  // What lies here already may be used as long as when it was fetched, should this break off.
  await vault.setPlan({ ...plan, until: before?.until ?? plan.until, mark: same ? plan.mark : "" });
  if (same) return;
  for (const address of plan.pages) {
    const page = await fetch(address, html);
    if (page.ok && !page.redirected) await vault.seal(addressOf(address), page);
  }
  const planned = plan.pages.map(addressOf);
  const today = new Date().setHours(0, 0, 0, 0);
  await vault.keepOnly((address, at) => planned.includes(address) || (at >= today && pageOf(plan, address)));
  await vault.setPlan(plan); // whole only now
  if (!self.registration.waiting) await caches.delete(OTHERS);
}

self.addEventListener("message", (event) => {
  // A page asks for it when nobody is in the middle of a session.
  if (event.data?.type === "SKIP_WAITING") self.skipWaiting();
  if (event.data?.type === "SYNC") event.waitUntil(sync().catch(() => {}));
});
self.addEventListener("install", (event) => event.waitUntil(keepOld()));
self.addEventListener("activate", (event) => event.waitUntil(self.clients.claim()));
