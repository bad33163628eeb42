import"./shared-BIQ5M6FD.js";import"./shared-HS4UCP7T.js";import"./shared-3CXTJPEL.js";
