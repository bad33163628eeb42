// Every page of the client sends what an earlier session left waiting.
import { unfinished } from "../session/kept.js";
import { flush, refused } from "./queue.js";

const brokenOff = document.getElementById("unfinished");
const kept = brokenOff && unfinished();
if (kept) {
  brokenOff.querySelector("b").textContent = kept.exercise;
  brokenOff.querySelector("a").href = kept.url;
  brokenOff.hidden = false;
}

await flush();
document.getElementById("not-taken")?.toggleAttribute("hidden", (await refused()) === 0);
