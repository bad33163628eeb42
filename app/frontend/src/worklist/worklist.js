// The list brings itself up: told by the server that somebody has moved, and once a minute besides.
import htmx from "htmx.org";
import "htmx-ext-sse";

// A page that is left has not lost its connection, and says nothing of it.
htmx.createEventSource = (url) => {
  const source = new EventSource(url);
  addEventListener("pagehide", () => source.close());
  return source;
};
