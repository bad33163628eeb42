// Every page of the client sends what an earlier session left waiting, and is kept for a time
// without a network.
import { unfinished } from "../session/kept.js";
import { keep } from "../offline/keep.js";
import { flush, refused, unsent } from "./queue.js";

const element = (id) => document.getElementById(id);

// The page on the desk has its own way back.
document.documentElement.classList.toggle("framed", window.parent !== window);

const brokenOff = element("unfinished");
const inTheMiddle = brokenOff && unfinished();
if (inTheMiddle) {
  brokenOff.querySelector("b").textContent = inTheMiddle.exercise;
  brokenOff.querySelector("a").href = inTheMiddle.url;
  brokenOff.hidden = false;
}

/** What has not reached the server. */
async function say() {
  element("not-taken")?.toggleAttribute("hidden", (await refused()) === 0);
  const waiting = element("waiting");
  const n = waiting ? await unsent() : 0;
  if (!waiting) return;
  waiting.textContent = n === 1 ? waiting.dataset.one : waiting.dataset.more.replace("{n}", n);
  waiting.toggleAttribute("hidden", n === 0);
}

const kept = document.querySelector('meta[name="kept"]');
const without = element("without");
if (kept && without) {
  const at = new Date(Number(kept.content));
  const format = { weekday: "short", hour: "2-digit", minute: "2-digit" };
  without.textContent = without.textContent.replace("{t}", at.toLocaleString(document.documentElement.lang, format));
  without.hidden = false;
}

// What is fetched to be kept is what there is after that.
await flush();
keep();
await say();
window.addEventListener("online", async () => {
  await flush();
  await say();
});
