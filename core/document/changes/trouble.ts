export type ChangeTrouble =
  | "pageGone"
  | "pageThere"
  | "lastPage"
  | "tileGone"
  | "noArrangement"
  | "marginTooWide"
  | "gapTooWide"
  | "tooManyTiles"
  | "tooManyPages"
  | "spreadSplit";
