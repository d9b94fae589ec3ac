export type ChangeTrouble = "pageGone" | "tileGone" | "noArrangement" | "marginTooWide" | "gapTooWide" | "tooManyTiles";
