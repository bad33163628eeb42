// Where a PIN is typed, what opens the kept pages is wrapped by it; whether it was right, the next
// page tells.
import * as vault from "./vault.js";

if (vault.able()) {
  const dismissed = vault.dismiss().catch(() => {});
  const pair = vault.keyPair(); // takes a while: begun while the PIN is typed
  for (const form of document.querySelectorAll("form:has(input.pin)")) {
    form.addEventListener("submit", async (event) => {
      event.preventDefault();
      await dismissed;
      await vault.prepare(pair, form.querySelector("input.pin").value).catch(() => {});
      form.submit();
    });
  }
}
