// One Alpine for all scripts of a page; it starts when each of them has named its components.
import Alpine from "@alpinejs/csp";

document.addEventListener("DOMContentLoaded", () => Alpine.start());

export default Alpine;
