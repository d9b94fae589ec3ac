/** No order is larger: 4 GB. */
export const mostPacketBytes = 4e9;
/** Letters of the title of a packet. */
export const mostTitleLength = 120;

/** How far an order is. */
export const orderStages = ["sending", "refused", "received", "checked", "printing", "posted"] as const;
export type OrderStage = (typeof orderStages)[number];

export const reasonCodes = [
  "fileMissing",
  "checksumWrong",
  "notAPicture",
  "wrongKind",
  "wrongPixels",
  "wrongDensity",
  "wrongProfile",
  "wrongColours",
  "fileTooLarge",
  "nameTooLong",
  "typeTooSmall",
  "wrongPageCount",
  "wrongSpine",
  "wrongBoxes",
  "labSaysNo",
] as const;

/** How the stand-in lab is today. */
export const labMoods = ["well", "slow", "refuses", "cutsOff", "full"] as const;
export type LabMood = (typeof labMoods)[number];
