// Whether this device keeps the pages, and how to begin or end that.
import { CLIENT } from "../me/queue.js";
import "./pin.js";
import * as vault from "./vault.js";

const show = (id, shown = true) => document.getElementById(id).toggleAttribute("hidden", !shown);

async function look() {
  const kept = (await vault.owner()) === CLIENT;
  show("kept", kept);
  show("keep", !kept);
}

if (vault.able()) await look();
else show("unable");

document.getElementById("forget").addEventListener("click", async () => {
  await vault.wipe();
  await look();
  document.getElementById("pin").focus();
});
