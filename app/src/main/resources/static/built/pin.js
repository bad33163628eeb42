import"./shared-YYEAQO7N.js";import"./shared-KJ73K3RR.js";import"./shared-3CXTJPEL.js";
