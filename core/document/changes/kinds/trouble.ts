export type ChangeTrouble =
  | "pageGone"
  | "pageThere"
  | "lastPage"
  | "tileGone"
  | "noArrangement"
  | "marginTooWide"
  | "gapTooWide"
  | "lessThanNothing"
  | "tooManyTiles"
  | "tooManyPages"
  | "spreadSplit"
  /** The project is open elsewhere, and may only be looked at here. */
  | "lookedAtOnly";
