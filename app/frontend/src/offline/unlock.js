// Without a network: the PIN opens what is kept, or it is said that nothing is.
import * as vault from "./vault.js";

const show = (id) => document.getElementById(id).toggleAttribute("hidden", false);
const input = document.getElementById("pin");
const said = document.getElementById("pin-error");

const standing = vault.able() ? await vault.standing() : "none";
if (new URLSearchParams(location.search).has("not-sent")) {
  show("not-sent");
  document.getElementById("back").focus();
} else if (standing === "locked") {
  show("locked");
  input.focus();
} else {
  show(standing === "open" ? "not-this" : "nothing");
}

document.querySelector("form").addEventListener("submit", async (event) => {
  event.preventDefault();
  const { opened, wait, left, wiped } = await vault.unlock(input.value);
  if (opened || wiped) {
    location.reload();
    return;
  }
  said.textContent = said.dataset[wait ? "wait" : "wrong"].replace("{n}", wait ?? left);
  input.setAttribute("aria-invalid", "true");
  input.select();
});
document.getElementById("back").addEventListener("click", () => history.back());
document.getElementById("again").addEventListener("click", () => location.reload());
window.addEventListener("online", () => location.reload());
