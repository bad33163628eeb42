// Answers for the client's pages where there is no network: from what is kept on the device.
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

// Scripts, styles and fonts carry what is in them in their name. Those of a server that is newer
// than this worker are kept as they come, so that its pages find them too.
precacheAndRoute(self.KEPT_FILES);
cleanupOutdatedCaches();
registerRoute(({ url }) => url.pathname.startsWith("/built/"), new CacheFirst({ cacheName: "newer-files" }));

const html = { headers: { Accept: "text/html" }, cache: "no-store" };

/** The address under which a page is kept: how much pain there is, is no part of it. */
function addressOf(url) {
  const address = new URL(url, self.location.href);
  for (const name of ["pain", "told", "changed", "missing"]) address.searchParams.delete(name);
  // What nobody has to name.
  const { pathname, searchParams } = address;
  const ofProgram = ["/me/today", "/me/player"].includes(pathname);
  if (ofProgram && !searchParams.has("program")) searchParams.set("program", "MAIN");
  if (pathname === "/me/player" && !searchParams.has("length")) searchParams.set("length", "USUAL");
  address.searchParams.sort();
  return address.pathname + address.search;
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
  const address = plan && over(plan) ? plan.over : named(plan, url);
  const page = await vault.open(address).catch(() => null);
  if (page) await vault.stay();
  return page ?? (await matchPrecache(LOCKED)) ?? new Response("No network.", AWAY);
}

/** Who names no leading side has the one whose turn it is. */
function named(plan, url) {
  const { pathname, searchParams } = url;
  if (!plan || pathname !== "/me/player" || searchParams.has("lead")) return addressOf(url);
  const length = searchParams.get("length") ?? "USUAL";
  const program = searchParams.get("program") ?? "MAIN";
  return plan.players.find((p) => p.program === program && p.length === length && p.next)?.address ?? addressOf(url);
}

registerRoute(
  ({ request }) => request.mode === "navigate",
  async ({ request, url, event }) => {
    try {
      const answer = await fromNetwork(request);
      if (url.pathname === "/me/gone") event.waitUntil(vault.wipe());
      if (answer.ok && keepable(await vault.plan(), url)) {
        const copy = answer.clone();
        event.waitUntil(vault.seal(addressOf(url), copy));
      }
      return answer;
    } catch {
      return fromDevice(url);
    }
  },
);

const keepable = (plan, url) => plan?.pages.some((page) => addressOf(page) === addressOf(url));

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
  const program = form.get("program") ?? "MAIN";
  const turned = (await waiting(plan.client, program)) % 2;
  const player = plan.players.filter((p) => p.program === program && p.length === (form.get("length") ?? "USUAL"));
  const next = player.find((p) => p.next === (turned === 0)) ?? player[0];
  return next ? Response.redirect(`${next.address}&pain=${pain}`, 303) : fromDevice(url);
}

async function told(form, url) {
  await keepForm(form, url);
  return Response.redirect("/me/today?told", 303);
}

const FORMS = {
  "/me/today": start,
  "/me/settled": told,
  "/me/morning": told,
  "/me/self-check": told,
  "/me/messages": told,
};

registerRoute(
  ({ request, url }) => request.mode === "navigate" && url.pathname in FORMS,
  async ({ request, url }) => {
    const again = request.clone();
    try {
      return await fromNetwork(request);
    } catch {
      return FORMS[url.pathname](await again.formData(), url);
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
  await vault.keepOnly(plan.pages.map(addressOf));
  await vault.setPlan(plan); // whole only now
}

self.addEventListener("message", (event) => {
  // A page asks for it when nobody is in the middle of a session.
  if (event.data?.type === "SKIP_WAITING") self.skipWaiting();
  if (event.data?.type === "SYNC") event.waitUntil(sync().catch(() => {}));
});
self.addEventListener("activate", (event) => event.waitUntil(self.clients.claim()));
