import"./shared-LBFITIU2.js";import"./shared-5QDHRQTG.js";import"./shared-3CXTJPEL.js";
