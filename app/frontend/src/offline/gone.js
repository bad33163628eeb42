// Nobody is in here any more: nothing that can be read is kept, and what was never sent is told.
import { WAITING, open } from "../me/waiting.js";
import { forgetAll } from "../session/kept.js";
import * as vault from "./vault.js";

if (vault.able()) await vault.wipe().catch(() => {});
forgetAll();

const unsent = document.getElementById("unsent");
const waiting = await open().catch(() => null);
const n = (await waiting?.count(WAITING)) ?? 0;
if (unsent && n > 0) {
  const said = unsent.querySelector("p");
  said.textContent = n === 1 ? said.dataset.one : said.dataset.more.replace("{n}", n);
  unsent.hidden = false;
  unsent.querySelector("button").addEventListener("click", async () => {
    await waiting.clear(WAITING);
    unsent.hidden = true;
  });
}
