// The list brings itself up: told by the server that somebody has moved, and once a minute besides.
import "htmx-ext-sse";
