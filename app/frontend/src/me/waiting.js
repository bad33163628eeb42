// Where what a client told waits on the device until the server has it.
import { openDB } from "idb";

export const WAITING = "waiting";

export const open = () =>
  openDB("biokinet", 1, {
    upgrade(db) {
      db.createObjectStore(WAITING, { keyPath: "id" }).createIndex("order", "order");
    },
  });

/** Puts a form that could not be sent, as it was filled in. */
export async function putForm(url, form, client) {
  const filled = new URLSearchParams(form).toString();
  return (await open()).put(WAITING, { id: form.get("id"), url, form: filled, client, order: Date.now() });
}
