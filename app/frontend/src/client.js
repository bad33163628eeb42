// Every client page sends what an earlier session left waiting.
import "./map.js";
import { flush, refused } from "./queue.js";

flush().then(() => {
  document.getElementById("not-taken")?.toggleAttribute("hidden", refused() === 0);
});
