import"./shared-VVAYMWNR.js";import"./shared-XOUNKUNQ.js";import"./shared-3CXTJPEL.js";
