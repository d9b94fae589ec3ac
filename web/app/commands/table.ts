import type { Keys } from "./keys.ts";

/**
 * Every shortcut there is: by where the focus has to be, then by command. What hears them takes a scope's handlers from `hear`, and
 * does not compile without one for each command. The sheet of shortcuts and the hints of buttons and menus are made from this.
 */
export const scopes = {
  anywhere: { showKeys: ["?"] },
  project: { save: ["Mod+S"] },
  history: { undo: ["Mod+Z"], redo: ["Mod+Shift+Z", "Mod+Y"] },
  page: {
    pageBefore: ["PageUp"],
    pageAfter: ["PageDown"],
    chooseAll: ["Mod+A"],
    empty: ["Delete", "Backspace"],
    takeAway: ["Shift+Delete", "Shift+Backspace"],
    lead: ["L"],
    shuffle: ["S"],
    shuffleBack: ["Shift+S"],
    shelfUp: ["U"],
    shelfDown: ["D"],
    nextDrawer: ["N"],
    letGo: ["Escape"],
  },
  alternatives: { alternativeBefore: ["["], alternativeAfter: ["]"] },
  tiles: {
    toNext: ["Arrows"],
    movePast: ["Alt+Arrows"],
    choose: ["Space", "Shift+Space"],
    chooseToo: ["Mod+Space"],
    open: ["Enter"],
    emptyThis: ["Delete"],
    takeThisAway: ["Shift+Delete"],
  },
  seam: {
    move: ["Arrows"],
    moveFar: ["Shift+Arrows"],
    moveStretch: ["Alt+Arrows"],
    moveStretchFar: ["Alt+Shift+Arrows"],
  },
  free: {
    move: ["Arrows"],
    moveFar: ["Shift+Arrows"],
    size: ["Alt+Arrows"],
    sizeFar: ["Alt+Shift+Arrows"],
    choose: ["Space", "Shift+Space"],
    chooseToo: ["Mod+Space"],
    write: ["Enter"],
    takeOff: ["Delete", "Backspace"],
  },
  writing: {
    endWriting: ["Escape"],
    lineUp: ["ArrowUp", "Shift+ArrowUp"],
    lineDown: ["ArrowDown", "Shift+ArrowDown"],
    lineStart: ["Home", "Shift+Home"],
    lineEnd: ["End", "Shift+End"],
    undo: ["Mod+Z"],
    redo: ["Mod+Shift+Z"],
  },
  reframing: {
    move: ["Arrows"],
    moveFar: ["Shift+Arrows"],
    zoomIn: ["+", "="],
    zoomOut: ["-"],
    endReframing: ["Enter", "Escape"],
  },
  shelf: {
    toNext: ["Sideways"],
    chooseUpTo: ["Shift+Sideways"],
    choose: ["Space", "Mod+Space"],
    chooseRow: ["Shift+Space"],
    chooseAll: ["Mod+A"],
    place: ["Enter"],
    letGo: ["Escape"],
  },
  run: { toPage: ["Arrows"], movePage: ["Alt+Arrows"], removePage: ["Delete"] },
  drawers: { toNext: ["Sideways"] },
  cards: { toNext: ["Arrows"], letGo: ["Escape"] },
  wall: {
    toNext: ["Arrows"],
    chooseUpTo: ["Shift+Arrows"],
    toFirst: ["Home", "Shift+Home"],
    toLast: ["End", "Shift+End"],
    choose: ["Space", "Mod+Space"],
    chooseRow: ["Shift+Space"],
    open: ["Enter"],
    togglePile: ["P"],
    chooseAll: ["Mod+A"],
    letGo: ["Escape"],
  },
  face: { removeFace: ["Delete", "Backspace"] },
  focusPoint: { movePoint: ["Arrows"] },
  openings: {
    toPage: ["Arrows"],
    moveOpening: ["Alt+Arrows"],
    movePage: ["Alt+Shift+Sideways"],
    open: ["Enter"],
    removePage: ["Delete"],
  },
  pageBreak: { moveBreak: ["Sideways"] },
  reading: {
    turn: ["ArrowRight", "PageDown", "Space"],
    turnBack: ["ArrowLeft", "PageUp"],
    toFirst: ["Home"],
    toLast: ["End"],
    leave: ["Escape"],
  },
  prints: {
    toNext: ["Arrows"],
    choose: ["Space", "Shift+Space", "Mod+Space"],
    chooseAll: ["Mod+A"],
    more: ["+", "="],
    fewer: ["-"],
    open: ["Enter"],
    remove: ["Delete", "Backspace"],
    letGo: ["Escape"],
  },
  sheet: { toNext: ["Arrows"], choose: ["Enter", "Space"], letGo: ["Escape"] },
  strip: { toSheet: ["Sideways"] },
} as const satisfies Record<string, Record<string, readonly Keys[]>>;

export type Scope = keyof typeof scopes;
export type CommandOf<S extends Scope> = keyof (typeof scopes)[S];
/** A name for every command of every scope, such as words for each. */
export type ForEachCommand<T> = { readonly [S in Scope]: { readonly [C in CommandOf<S>]: T } };

/** The scopes that hold in each place, in the order in which the sheet of shortcuts lists them. */
export const places = {
  photos: ["wall", "face", "focusPoint", "history"],
  pages: [
    "page",
    "alternatives",
    "tiles",
    "seam",
    "free",
    "writing",
    "reframing",
    "shelf",
    "run",
    "drawers",
    "cards",
    "project",
    "history",
  ],
  overview: ["openings", "pageBreak", "project", "history"],
  prints: ["prints", "shelf", "project", "history"],
  read: ["reading"],
  check: ["project", "history"],
  sheets: ["sheet", "strip", "project", "history"],
  orders: ["project"],
  send: ["project"],
} as const satisfies Record<string, readonly Scope[]>;

export type Place = keyof typeof places;
