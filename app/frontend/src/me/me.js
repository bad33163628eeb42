// Every page of the client sends what an earlier session left waiting.
import { flush, refused } from "./queue.js";

await flush();
document.getElementById("not-taken")?.toggleAttribute("hidden", (await refused()) === 0);
