// Every client page sends what an earlier session left waiting.
import "./map.js";
import { flush } from "./queue.js";

flush();
