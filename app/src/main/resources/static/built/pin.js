import"./shared-E6PDB2N3.js";import"./shared-VDX7ANAZ.js";import"./shared-3CXTJPEL.js";
