// The clock of a moving figure. A figure that is cut off at the hips stands in a frame of its own
// inside the picture, and browsers give every frame its own clock: all of them are set.

const frames = (figure) => figure?.querySelectorAll("svg") ?? [];

export function standStill(figure) {
  for (const svg of frames(figure)) svg.pauseAnimations();
}

function set(figure, seconds) {
  for (const svg of frames(figure)) svg.setCurrentTime(seconds);
}

/** @param seconds in the figure's round */
export function showAt(picture, seconds) {
  picture?.querySelectorAll(".pose").forEach((pose) => pose.remove());
  set(picture, seconds);
}

/** Which of the poses, evenly spread over the round, is moved to on the way from one second to another. */
function movedTo(stills, from, to) {
  const apart = stills[1] ?? 1;
  const end = Math.round(to / apart);
  const next = to > from ? Math.min(end, Math.floor(from / apart + 0.001) + 1) : end;
  const before = to < from ? Math.max(end, Math.ceil(from / apart - 0.001) - 1) : next;
  return before % stills.length; // the round ends where it begins
}

/** Its poses beside each other, numbered; the one is marked that is moved to, or held. */
export function showPoses(picture, from, to) {
  if (!picture) return;
  const stills = picture.dataset.stills.split(" ").map(Number);
  const figure = picture.querySelector("svg");
  if (!picture.querySelector(".pose")) {
    stills.forEach((at, i) => {
      const pose = document.createElement("div");
      pose.className = "pose";
      pose.innerHTML = `<p><b class="letter side-L">L</b> ${i + 1} <b class="letter side-R">R</b></p>`;
      pose.prepend(figure.cloneNode(true));
      picture.append(pose);
      standStill(pose);
      set(pose, at);
    });
  }
  const now = movedTo(stills, from, to);
  picture.querySelectorAll(".pose").forEach((pose, i) => pose.toggleAttribute("data-now", i === now));
}
