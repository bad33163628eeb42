// Marking a photograph: where the marks lie. What angles they make is the server's.
import Alpine from "../platform/alpine.js";
import { post } from "../platform/csrf.js";

const WAY = { ArrowUp: [0, -1], ArrowDown: [0, 1], ArrowLeft: [-1, 0], ArrowRight: [1, 0] };
/** How far a mark lies at random from where it usually starts, of the picture's size. */
const SCATTER = 0.16;

async function ask(address, body) {
  const answer = await post(address, JSON.stringify(body), { "Content-Type": "application/json" });
  return answer.ok ? answer.json() : { problem: "That was not kept; try once more." };
}

Alpine.data("marking", () => {
  let pending = null;
  const rounds = [];

  return {
    /** The picture's view box, and a hundredth of its longer side. */
    box: "",
    unit: 1,
    /** Where each mark lies, by its name, in the picture's units. */
    points: {},
    /** The mark under the glass. */
    looked: "",
    dragged: "",
    round: 1,
    angles: "",
    problem: "",

    init() {
      const drawn = this.$root.querySelector("[data-drawn] svg");
      this.box = drawn.getAttribute("viewBox");
      const { width, height } = drawn.viewBox.baseVal;
      this.unit = Math.max(width, height) / 100;
      this.$root.querySelector("[data-glass]").append(...[...drawn.childNodes].map((n) => n.cloneNode(true)));
      this.angles = this.$root.dataset.angles ?? "";
      this.looked = this.marks()[0].dataset.mark;
      const kept = JSON.parse(this.$root.dataset.marks || "null");
      if (!kept) this.scatter(drawn.viewBox.baseVal);
      else for (const { dataset } of this.marks()) this.points[dataset.mark] = kept[dataset.mark];
    },
    stage() {
      return this.$root.querySelector("[data-stage]");
    },
    marks() {
      return [...this.$root.querySelectorAll("[data-mark]")];
    },
    scatter({ x, y, width, height }) {
      const near = (usual) => Number(usual) + (Math.random() - 0.5) * SCATTER;
      for (const { dataset } of this.marks()) {
        this.points[dataset.mark] = { x: x + width * near(dataset.x), y: y + height * near(dataset.y) };
      }
    },

    at(name) {
      const { x, y } = this.points[name];
      return `translate(${x} ${y})`;
    },
    lines() {
      const to = (name) => `${this.points[name].x} ${this.points[name].y}`;
      return `M${to("plumbTop")} L${to("plumbBottom")} M${to("c7")} L${to("tragus")} M${to("c7")} L${to("shoulder")}`;
    },
    glass() {
      const { x, y } = this.points[this.looked];
      const reach = this.unit * 4;
      return `${x - reach} ${y - reach} ${2 * reach} ${2 * reach}`;
    },
    crosshair() {
      const { x, y } = this.points[this.looked];
      const reach = this.unit * 4;
      return `M${x - reach} ${y} H${x + reach} M${x} ${y - reach} V${y + reach}`;
    },

    nudge(event) {
      const way = WAY[event.key];
      if (!way) return;
      event.preventDefault();
      const step = (event.shiftKey ? 10 : 1) * (this.unit / 10);
      const { x, y } = this.points[this.looked];
      this.points[this.looked] = { x: x + way[0] * step, y: y + way[1] * step };
      this.save();
    },
    grab(event) {
      event.preventDefault();
      const mark = event.currentTarget;
      mark.focus();
      mark.setPointerCapture(event.pointerId);
      this.dragged = mark.dataset.mark;
    },
    drag(event) {
      if (!this.dragged) return;
      const to = new DOMPoint(event.clientX, event.clientY).matrixTransform(this.stage().getScreenCTM().inverse());
      this.points[this.dragged] = { x: to.x, y: to.y };
    },
    drop() {
      this.dragged = "";
      this.save();
    },

    told() {
      return { facing: this.$root.dataset.facing, ...JSON.parse(JSON.stringify(this.points)) };
    },
    /** A photograph's marks are kept as they are moved; a sample's are only counted. */
    save() {
      const { save } = this.$root.dataset;
      if (!save) return;
      clearTimeout(pending);
      pending = setTimeout(async () => this.show(await ask(save, this.told())), 250);
    },
    show({ angles = "", problem = "" }) {
      this.angles = angles;
      this.problem = problem;
    },
    async next() {
      rounds.push(this.told());
      const { practise, repeats } = this.$root.dataset;
      if (rounds.length === Number(repeats)) {
        const { error, problem } = await ask(practise, rounds.splice(0));
        this.show({ angles: error, problem });
      }
      this.round = rounds.length + 1;
      this.scatter(this.stage().viewBox.baseVal);
    },
  };
});
