const two = (n) => String(n).padStart(2, "0");

/** A moment as the device's clock shows it, with how far that is from UTC. */
export function local(moment) {
  const offset = -moment.getTimezoneOffset();
  const shown = new Date(moment.getTime() + offset * 60_000).toISOString().slice(0, 23);
  const minutes = Math.abs(offset);
  return `${shown}${offset < 0 ? "-" : "+"}${two(Math.floor(minutes / 60))}:${two(minutes % 60)}`;
}
