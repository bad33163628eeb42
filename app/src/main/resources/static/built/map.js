import"./shared-HATQ2Y4K.js";import"./shared-JLCKL7GO.js";
