// A measuring visit: marks on the map, a stopwatch, an inclinometer.
import Alpine from "../platform/alpine.js";
import "./map.js";
import inclinometer from "./inclinometer.js";
import stopwatch from "./stopwatch.js";

Alpine.data("inclinometer", inclinometer);
Alpine.data("stopwatch", stopwatch);
