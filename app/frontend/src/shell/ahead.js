// Keys that are pressed between the Enter that asks for a row and the row: they belong into its cell.
let kept = null;

export const begin = () => (kept = []);
/** What was pressed since. */
export const end = () => {
  const keys = kept ?? [];
  kept = null;
  return keys;
};
/** Into the cell that has come, as if it had been typed there. */
export const into = (cell) => {
  const keys = end();
  if (keys.length === 0) return;
  const enter = keys.indexOf("Enter");
  const text = (enter < 0 ? keys : keys.slice(0, enter)).reduce(
    (typed, key) => (key === "Backspace" ? typed.slice(0, -1) : typed + key),
    "",
  );
  // Nothing else counts as typed, and so is saved when the cell is left.
  document.execCommand("insertText", false, text);
  if (enter >= 0) cell.form.requestSubmit();
};

document.addEventListener(
  "keydown",
  (event) => {
    if (kept === null || event.ctrlKey || event.metaKey || event.altKey) return;
    if (event.key.length > 1 && event.key !== "Backspace" && event.key !== "Enter") return;
    kept.push(event.key);
    event.preventDefault();
    event.stopPropagation();
  },
  true,
);
// Whatever goes wrong, Escape and the mouse give the keys back.
document.addEventListener("keydown", ({ key }) => key === "Escape" && end(), true);
document.addEventListener("pointerdown", end, true);
for (const lost of ["htmx:responseError", "htmx:sendError"]) document.addEventListener(lost, end);
