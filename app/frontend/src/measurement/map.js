// The body map: one stop for the tabulator, marked by mouse, finger or keys.
import Alpine from "../platform/alpine.js";

const WAY = { ArrowUp: [0, -1], ArrowDown: [0, 1], ArrowLeft: [-1, 0], ArrowRight: [1, 0] };
const centre = (spot) => [Number(spot.getAttribute("cx")), Number(spot.getAttribute("cy"))];

/** The nearest place that way; one further off the line counts as twice as far. */
function neighbour(spot, [right, down]) {
  const [x, y] = centre(spot);
  let best = null;
  let least = Infinity;
  for (const other of spot.closest("[data-map]").querySelectorAll(".spot")) {
    const [dx, dy] = [centre(other)[0] - x, centre(other)[1] - y];
    const along = dx * right + dy * down;
    const far = along + 2 * Math.abs(dx * down + dy * right);
    if (along > 1 && far < least) [best, least] = [other, far];
  }
  return best;
}

Alpine.data("bodyMap", () => ({
  /** The place that is being marked. */
  area: "",
  side: "",
  feeling: "",
  place: "",
  /** The whole body, or only its upper half. */
  whole: false,

  mark({ dataset }) {
    this.area = dataset.area;
    this.side = dataset.side;
    this.feeling = dataset.feeling;
    this.place = dataset.name;
    this.$refs.mark.showModal();
    this.$refs.mark.querySelector(`input[value="${this.feeling}"]`).focus();
  },
  tap({ target }) {
    const spot = target.closest(".spot");
    if (spot) this.mark(spot);
  },
  key(event) {
    const spot = event.target.closest(".spot");
    if (!spot) return;
    const chosen = event.key === "Enter" || event.key === " ";
    if (!chosen && !WAY[event.key]) return;
    event.preventDefault();
    if (chosen) this.mark(spot);
    else neighbour(spot, WAY[event.key])?.focus();
  },
}));

const CLOSER = 2.6;

/** With a finger the first tap brings the region closer, the second is the place. */
Alpine.data("closer", () => ({
  closer: false,
  whole: "",

  tap(event) {
    if (this.closer) return;
    event.stopPropagation();
    const map = this.$refs.map;
    this.whole = map.getAttribute("viewBox");
    const box = map.viewBox.baseVal;
    const at = new DOMPoint(event.clientX, event.clientY).matrixTransform(map.getScreenCTM().inverse());
    const [width, height] = [box.width / CLOSER, box.height / CLOSER];
    this.show(`${at.x - width / 2} ${at.y - height / 2} ${width} ${height}`);
  },
  out() {
    this.show(this.whole);
  },
  show(box) {
    const map = this.$refs.map;
    map.setAttribute("viewBox", box);
    this.closer = box !== this.whole;
    // L and R stay on the picture, however close it is.
    const { x, y, width } = map.viewBox.baseVal;
    for (const letter of map.querySelectorAll(".map-letter")) {
      letter.setAttribute("x", x + width * (letter.textContent === "L" ? 0.055 : 0.945));
      letter.setAttribute("y", y + width * 0.068);
      letter.style.fontSize = `${width * 0.07}px`;
    }
  },
}));
