// A meeting is drawn over the day; the two times of the form say what was drawn.
const strip = document.querySelector(".day-strip");
const from = document.getElementById("busy-from");
const until = document.getElementById("busy-until");

const STEP = 5;

if (strip && from && until) {
  const first = Number(strip.dataset.from);
  const minutes = Number(strip.dataset.minutes);
  const zone = strip.closest("figure").dataset.zone;
  const clock = new Intl.DateTimeFormat("en-GB", { timeZone: zone, hour: "2-digit", minute: "2-digit", hourCycle: "h23" });
  let began = null;
  let drawn = null;

  const at = (event) => {
    const box = strip.getBoundingClientRect();
    const part = Math.min(1, Math.max(0, (event.clientX - box.left) / box.width));
    return Math.round((part * minutes) / STEP) * STEP;
  };

  const show = (a, b) => {
    if (!drawn) {
      drawn = document.createElementNS("http://www.w3.org/2000/svg", "rect");
      drawn.setAttribute("class", "day-drawn");
      drawn.setAttribute("y", "8");
      drawn.setAttribute("height", "24");
      strip.append(drawn);
    }
    drawn.setAttribute("x", (1000 * a) / minutes);
    drawn.setAttribute("width", (1000 * (b - a)) / minutes);
    from.value = clock.format(new Date((first + a) * 60_000));
    until.value = clock.format(new Date((first + b) * 60_000));
  };

  strip.addEventListener("pointerdown", (event) => {
    began = at(event);
    strip.setPointerCapture(event.pointerId);
  });
  strip.addEventListener("pointermove", (event) => {
    if (began === null) return;
    const now = at(event);
    if (now !== began) show(Math.min(began, now), Math.max(began, now));
  });
  const end = () => {
    if (began !== null && drawn) {
      document.getElementById("add").open = true;
      until.closest("form").querySelector("button").focus();
    }
    began = null;
  };
  strip.addEventListener("pointerup", end);
  strip.addEventListener("pointercancel", end);
}
