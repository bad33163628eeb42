// The body map: one stop for the tabulator, marked by mouse, finger or keys.

/** The map is one stop for the tabulator; arrows go to the nearest place that way. */
function openMark(spot) {
  const dialog = document.getElementById("mark");
  const form = dialog.querySelector("form");
  form.elements.area.value = spot.dataset.area;
  form.elements.side.value = spot.dataset.side;
  form.elements.feeling.value = spot.dataset.feeling;
  document.getElementById("mark-title").textContent = spot.dataset.name;
  dialog.showModal();
  form.querySelector(`input[value="${spot.dataset.feeling}"]`).focus();
}
export function prepareMaps() {
  for (const map of document.querySelectorAll("[data-map]")) map.querySelector(".spot")?.setAttribute("tabindex", "0");
}
prepareMaps();
document.addEventListener("click", (event) => {
  const out = event.target.closest?.("[data-zoom-out]");
  const map = event.target.closest?.("[data-map]");
  if (out) return zoomOut(out);
  // With a finger the first tap opens the region, the second is the place.
  if (map?.hasAttribute("data-zoom") && !map.dataset.whole) return zoomIn(map, event);
  const spot = event.target.closest?.(".spot");
  if (spot) openMark(spot);
});

const CLOSER = 2.6;
function zoomIn(map, event) {
  const box = map.viewBox.baseVal;
  map.dataset.whole = map.getAttribute("viewBox");
  const at = new DOMPoint(event.clientX, event.clientY).matrixTransform(map.getScreenCTM().inverse());
  const [width, height] = [box.width / CLOSER, box.height / CLOSER];
  map.setAttribute("viewBox", `${at.x - width / 2} ${at.y - height / 2} ${width} ${height}`);
  map.previousElementSibling.querySelector("[data-zoom-out]").hidden = false;
  letters(map);
}
/** L and R stay on the picture, however close it is. */
function letters(map) {
  const { x, y, width } = map.viewBox.baseVal;
  for (const letter of map.querySelectorAll(".map-letter")) {
    const left = letter.textContent === "L";
    letter.setAttribute("x", x + width * (left ? 0.055 : 0.945));
    letter.setAttribute("y", y + width * 0.068);
    letter.style.fontSize = `${width * 0.07}px`;
  }
}
function zoomOut(button) {
  const map = button.parentElement.nextElementSibling;
  map.setAttribute("viewBox", map.dataset.whole);
  delete map.dataset.whole;
  letters(map);
  button.hidden = true;
}
// The whole body or only its upper half.
document.addEventListener("change", (event) => {
  if (!event.target.matches?.("[data-whole]")) return;
  for (const map of document.querySelectorAll("[data-map][data-body]")) {
    map.setAttribute("viewBox", event.target.checked ? map.dataset.body : map.dataset.upper);
  }
});
document.addEventListener("click", (event) => {
  if (event.target.closest?.("#mark [data-close]")) document.getElementById("mark").close();
});
document.addEventListener("keydown", (event) => {
  const spot = event.target.closest?.(".spot");
  if (!spot) return;
  if (event.key === "Enter" || event.key === " ") {
    event.preventDefault();
    openMark(spot);
    return;
  }
  const way = { ArrowUp: [0, -1], ArrowDown: [0, 1], ArrowLeft: [-1, 0], ArrowRight: [1, 0] }[event.key];
  if (!way) return;
  event.preventDefault();
  const at = (s) => [Number(s.getAttribute("cx")), Number(s.getAttribute("cy"))];
  const [x, y] = at(spot);
  let best = null;
  let least = Infinity;
  for (const other of spot.closest("[data-map]").querySelectorAll(".spot")) {
    const [dx, dy] = [at(other)[0] - x, at(other)[1] - y];
    const along = dx * way[0] + dy * way[1];
    const across = Math.abs(dx * way[1]) + Math.abs(dy * way[0]);
    if (along > 1 && along + 2 * across < least) [best, least] = [other, along + 2 * across];
  }
  best?.focus();
});
