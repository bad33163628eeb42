import{c as t,f as e}from"./shared-KONAC42B.js";import"./shared-TMIGT6TI.js";await e();document.getElementById("not-taken")?.toggleAttribute("hidden",await t()===0);
