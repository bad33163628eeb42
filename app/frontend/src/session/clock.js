// Where in the session we are, and what of each step was done. Steps begin where the one before ends.

/** Half a tick: what a timer that comes a little late must not take away. */
const TOLERANCE = 0.05;

export class Clock {
  /**
   * @param steps with start and seconds
   * @param length of all, in seconds
   * @param slept a gap longer than this, in seconds, was not worked: the device slept
   */
  constructor(steps, length, slept) {
    this.steps = steps;
    this.length = length;
    this.slept = slept * 1000;
    this.position = 0;
    this.worked = steps.map(() => 0);
    this.anchor = null; // performance.now() at which position was 0; null while it stands still
    this.last = 0;
    this.speed = 1; // of a preview; a session goes by the clock
    this.cuts = new Map(); // seconds that were taken out of the middle of a step, by its index
  }

  get running() {
    return this.anchor !== null;
  }
  get ended() {
    return this.position >= this.length;
  }

  /** Index of the step at a position. */
  index(seconds = this.position) {
    let low = 0;
    let high = this.steps.length - 1;
    while (low < high) {
      const middle = (low + high + 1) >> 1;
      if (this.steps[middle].start <= seconds) low = middle;
      else high = middle - 1;
    }
    return low;
  }

  /** The position at this very moment, between two ticks. */
  get moment() {
    return this.running ? ((performance.now() - this.anchor) * this.speed) / 1000 : this.position;
  }

  /** Goes on with what was done before. */
  restore(worked, position) {
    this.worked = worked;
    this.position = position;
  }

  run() {
    this.last = performance.now();
    this.anchor = this.last - (this.position * 1000) / this.speed;
  }

  pause() {
    this.tick();
    this.anchor = null;
  }

  /**
   * Goes on to this moment, and credits every step on the way.
   *
   * @returns whether the device had slept: then it stands where it was
   */
  tick() {
    if (!this.running) return false;
    const now = performance.now();
    if (now - this.last > this.slept) {
      this.anchor = null;
      return true;
    }
    this.last = now;
    const to = Math.min(this.length, ((now - this.anchor) * this.speed) / 1000);
    for (let i = this.index(); i < this.steps.length && this.steps[i].start < to; i++) {
      const { start, seconds } = this.steps[i];
      const spent = Math.min(seconds, to - start) - (this.cuts.get(i) ?? 0);
      this.worked[i] = Math.max(this.worked[i], spent);
    }
    this.position = to;
    return false;
  }

  /** Goes on quicker, or as it is done. */
  at(speed) {
    this.tick();
    this.speed = speed;
    if (this.running) this.run();
  }

  /** Takes seconds out of the step it is in: they are neither waited for nor credited. */
  cut(i, seconds) {
    this.tick();
    this.cuts.set(i, seconds);
    this.position = Math.min(this.position + seconds, this.length);
    if (this.running) this.run();
  }

  jump(seconds) {
    this.tick();
    this.cuts.clear();
    this.position = Math.min(seconds, this.length);
    if (this.running) this.run();
  }

  /** Whole seconds of each step. */
  done() {
    return this.worked.map((seconds, i) => Math.min(this.steps[i].seconds, Math.floor(seconds + TOLERANCE)));
  }
}
