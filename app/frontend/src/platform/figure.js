// The clock of a moving figure. A figure that is cut off at the hips stands in a frame of its own
// inside the picture, and browsers give every frame its own clock: all of them are set.

const frames = (picture) => picture?.querySelectorAll("svg") ?? [];

export function standStill(picture) {
  for (const svg of frames(picture)) svg.pauseAnimations();
}

/** @param seconds in the figure's round */
export function showAt(picture, seconds) {
  for (const svg of frames(picture)) svg.setCurrentTime(seconds);
}
