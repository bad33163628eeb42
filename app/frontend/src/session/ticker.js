// A browser slows the timers of a page that is not seen, but not those of a worker.
let timer = 0;
self.onmessage = ({ data: milliseconds }) => {
  clearInterval(timer);
  if (milliseconds > 0) timer = setInterval(() => self.postMessage(null), milliseconds);
};
