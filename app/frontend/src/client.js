// Every client page sends what an earlier session left waiting.
import { flush } from "./queue.js";

flush();
