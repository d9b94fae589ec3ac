import type { ChangeTrouble } from "#core/document";
import type { Refusal } from "#core/result";
import { formats } from "./formats.ts";
import { keeping } from "./keeping.ts";

export const pages = {
  pasteNothing: "There is nothing on the clipboard that can go on a page. Photos, words and copied tiles can.",
  pasteGone: (n: number) =>
    n === 1
      ? "1 copied photo is not among your photos here, and was left out."
      : `${n} copied photos are not among your photos here, and were left out.`,
  partSeam: (across: boolean) =>
    across ? "Line between the left and the right part" : "Line between the upper and the lower part",
  othersOnShelf: (n: number) =>
    n === 1 ? "The other photo is on the shelf, chosen." : `The other ${n} photos are on the shelf, chosen.`,
  title: "Pages",
  mat: "The page on its mat",
  matTone: "Colour of the mat",
  matTones: { light: "Light mat", grey: "Grey mat", dark: "Dark mat" },
  cutLines: "Cut lines",
  cutAway: (bleed: string) => `Shaded: ${bleed}, trimmed off`,
  turnedIn: (bleed: string) => `Shaded: ${bleed}, turned in around the boards`,
  turnedInWhy:
    "The cover is folded round its boards. What lies here is hidden on the inside, so pictures have to go on into it.",
  cutAwayWhy:
    "The lab prints a little more than the page and cuts the edge off. Photos that reach the edge have to go on into this strip.",
  safe: (by: string) => `Dashed: keep faces and words inside (${by})`,
  safeWhy: "A cut can be a little off. What lies inside the dashed line is never touched by it.",
  emptyPage: "This page is empty",
  emptyPageLead: "Choose photos on the shelf below and arrange them here, or drag one onto the page.",
  emptyBook: "Your book is empty",
  emptyBookLead: "Fill it with your photos in the order they were taken. You choose how many pages it has.",
  arrangeAll: (n: number, of: number) => (n === of ? `Arrange all ${n} photos` : `Arrange the first ${n} of them`),
  bringFirst: "Bring in photos first",
  tile: (i: number, of: number, what: string) => `Tile ${i} of ${of}: ${what}`,
  emptyTile: "empty",
  waits: {
    photo: "empty, waits for a photo",
    paper: "empty, waits for a paper",
    words: (sample: string) => (sample ? `empty, waits for words such as “${sample}”` : "empty, waits for words"),
    nothing: "stays empty",
  },
  waitsNumbered: (n: number) => `empty, waits for photo ${n}`,
  colourTile: "a plain colour",
  hints: {
    photo: "Drop a photo here",
    paper: "A paper from Papers",
    words: "Double-click to write",
    nothing: "Stays empty",
  },
  locked: "Locked in its place",
  photoGone: "Its photo is missing",
  seam: (axis: "columns" | "rows", i: number) =>
    axis === "columns" ? `Line after column ${i}` : `Line after row ${i}`,
  treeSeam: (across: boolean, i: number) => (across ? `Vertical line ${i}` : `Horizontal line ${i}`),
  seamHelp: "Drag it. With Alt, only this stretch moves.",
  keptInside: (n: number) =>
    n === 1 ? "This tile is locked to keep what is in it." : `${n} tiles are locked to keep what is in them.`,
  dropSwap: "Swap the two photos",
  dropPut: "Put the photo here",
};

export const tileMenu = {
  label: "What can be done here",
  reframe: "Reframe it",
  put: "Put the chosen photo here",
  slipBefore: "Slip the chosen photo in on the left",
  slipAfter: "Slip the chosen photo in on the right",
  lead: "Make it the biggest",
  leadNot: "Stop making it the biggest",
  splitAcross: "Split side by side",
  splitDown: "Split one above the other",
  alike: {
    photo: "Choose all photos on this page",
    words: "Choose all words like these",
    colour: "Choose all plain colours",
    paper: "Choose all papers",
    ornament: "Choose all ornaments",
    empty: "Choose all empty places",
  },
  swap: "Swap their photos",
  together: "Keep together, or no more",
  equal: "Make them equally large",
  equalNot: "Let them differ in size",
  lock: "Lock in place",
  unlock: "Unlock",
  empty: "Remove the photo only",
  takeAway: "Remove and close the gap",
};

export const templates = {
  title: "Templates",
  save: "Save as a template …",
  search: "Search by name",
  forPhotos: "Photos",
  anyNumber: "any number",
  asOnPage: (n: number) => (n === 1 ? "1, as here" : `${n}, as here`),
  family: "Family",
  allFamilies: "all families",
  ownFamily: "My own",
  shape: "Drawn for",
  anyShape: "any page",
  shapes: { upright: "portrait pages", square: "square pages", sideways: "landscape pages", panorama: "wide spreads" },
  favourites: "Favourites",
  favourite: (name: string) => `Favourite: ${name}`,
  mirrorSides: "Show them mirrored left to right",
  mirrorUpside: "Show them mirrored top to bottom",
  quarter: "Show them turned a quarter",
  places: (n: number) => (n === 1 ? "1 photo" : `${n} photos`),
  card: (name: string, places: string, fit: string) => `${name}, ${places}, ${fit}`,
  asDrawn: "as drawn",
  adapted: "adapted to this page",
  none: "No template matches. Take a filter away.",
  bringIn: "Bring in a file",
  takeOut: "Save mine as a file",
  takeOutOne: (name: string) => `Save to disk: ${name}`,
  draw: (name: string) => `Save as an SVG drawing: ${name}`,
  remove: (name: string) => `Remove ${name}`,
  removed: (name: string) => `${name} is removed from your templates.`,
  broughtIn: (n: number) => (n === 1 ? "1 template came in." : `${n} templates came in.`),
  trouble: {
    tooLarge: "That file is far too large for templates. Nothing came in.",
    notTemplates: "This is not a template file. Nothing came in.",
    noShapes: "That drawing has no closed shape that could become a place. Nothing came in.",
    damagedTemplate: "A template in that file is damaged, so none of them came in.",
  },
  wordsFreed: (n: number) =>
    n === 1
      ? "The words that stood in a tile lie freely on the page now, where they were."
      : `The words that stood in ${n} tiles lie freely on the page now, where they were.`,
  emptyNow: (n: number) =>
    n === 1 ? "1 place is left empty; drop a photo there." : `${n} places are left empty; drop photos there.`,
  closeUp: "Close them up",
  madePlaces: (n: number) =>
    n === 1
      ? "There was one photo more than places, so a place was made for it."
      : `There were ${n} more photos than places, so places were made for them.`,
  leftOver: (n: number) =>
    n === 1
      ? "One photo found no place here. It is on the shelf."
      : `${n} photos found no place here. They are on the shelf.`,
  cannotSave: "There is nothing here that other pages could begin from: pockets come from their packets.",
  saveTitle: "Save this page as a template",
  name: "Name",
  nameOf: (n: number) => (n === 1 ? "A page for 1 photo" : `A page for ${n} photos`),
  saveDo: "Save the template",
  numberHelp: "Click the places in the order in which photos should go in. The others come after, as one reads.",
  skipHelp: "Click a place that should stay empty.",
  spareHelp: "Click the places that are left over first where photos are few.",
  number: "Order",
  skip: "Stay empty",
  spare: "Left over first",
  mode: "What a click says",
  startOver: "Start over",
  place: (i: number, of: number, state: string) => `Place ${i} of ${of}${state}`,
  placeNumber: (n: number) => `, takes photo ${n}`,
  placeSkipped: ", stays empty",
  placeSpare: ", left over first",
  spareShort: "last",
  placeWords: ", for words",
  onlyChosen: "Only what is chosen on the page",
  edit: (name: string) => `Change ${name}`,
  editTitle: "Change this template",
  editDo: "Keep the changes",
  fromPage: "With the layout of the open page",
  changed: (name: string) => `${name} is changed. Pages laid out by it stay as they are.`,
  familyOf: "Family, if it belongs with others",
  saved: (name: string) => `${name} is among your templates.`,
};

/** What can be done with a page of a list. */
export const pageMenu = {
  label: "What can be done with this page",
  open: "Open it",
  addBefore: "Another page before it",
  addAfter: "Another page after it",
  copy: "A page like this one",
  addLeaf: "Another sheet of pockets",
  earlier: "Move it forward",
  later: "Move it back",
  remove: "Remove it",
};

/** What can be done with a photo on the shelf. */
export const photoMenu = {
  label: "What can be done with this photo",
  place: "Put it on the page",
  layFreely: "Lay it freely on the page",
  layBehind: "Lay it behind the page",
  about: "All about it",
  hide: "Hide it",
};

export const run = {
  label: "The pages of this project",
  page: (n: number, of: number, tiles: number) =>
    `Page ${n} of ${of}, ${tiles === 0 ? "nothing on it" : tiles === 1 ? "1 tile" : `${tiles} tiles`}`,
  add: "Another page",
  copy: "Page like this one",
  remove: "Remove this page",
  earlier: "Move it forward",
  later: "Move it back",
  title: "Pages of this project",
  each: "A page for each …",
  eachTitle: "A page for each",
  eachLead: (n: number) => `The ${n === 1 ? "chosen photo goes" : `${n} chosen photos go`} onto new pages, in order.`,
  groupBy: "One page for",
  byEvent: "each day or event",
  byCount: "every so many photos",
  photosEach: "Photos on each page",
  like: "Arranged",
  likeFit: "each its own way, exactly",
  likeThis: "as on this page",
  makes: (pages: number) => (pages === 1 ? "This makes 1 page." : `This makes ${pages} pages.`),
  notDressed: (n: number) =>
    n === 1
      ? "1 page has no room for that gap and margin, and stays as it was."
      : `${n} pages have no room for that gap and margin, and stay as they were.`,
  doEach: (pages: number) => (pages === 1 ? "Make 1 page" : `Make ${pages} pages`),
};

/** How close a page is looked at. */
export const zoom = {
  label: "Look closer",
  closer: "Closer",
  further: "Further away",
  how: "How close",
  comparedWith: "100 % is about as large as on paper",
  hand: "Move the page by hand",
  named: {
    whole: "Whole page",
    width: "As wide as the window",
    paper: "As large as on paper",
    pixels: "Each pixel of the print",
  },
};

export const shelf = {
  label: "Shelf",
  drawersLabel: "What the shelf shows",
  drawers: {
    photos: "Photos",
    ways: "Other ways",
    templates: "Templates",
    papers: "Papers",
    ornaments: "Ornaments",
    shapes: "Shapes",
    words: "Words",
  },
  up: "Pull the shelf up",
  down: "Let the shelf down",
  fold: "Fold the shelf away",
  unfold: "Open the shelf",
  fillPlace: "Click a photo to put it into the empty place",
  noWays: "Put photos on the page, and other ways to arrange them are shown here.",
  shapesHelp: "Click one: the chosen tiles get that shape, or a new tile has it, with the chosen photo in it.",
  ornament: (name: string) => `Ornament ${name}`,
  help: "Click one, shift-click to there, ctrl-click to add",
  arrange: (n: number) => (n === 1 ? "Arrange 1 photo" : `Arrange ${formats.number(n)} photos`),
  add: (n: number) => `Add ${n} to the page`,
  fill: (n: number) => (n === 1 ? "Fill 1 empty tile" : `Fill ${n} empty tiles`),
  notPlaced: "Only photos on no page",
  nothingLeft: "Every photo is on the page.",
};

export function changeTrouble(t: Refusal<ChangeTrouble>, length: (mm: number) => string): string {
  switch (t.code) {
    case "marginTooWide":
      return `That margin leaves no room for the photos. The widest that works here is ${length(Number(t.facts.mostMm))}.`;
    case "gapTooWide":
      return `That gap leaves no room for the photos. The widest that works here is ${length(Number(t.facts.mostMm))}.`;
    case "lessThanNothing":
      return "It cannot be below 0.";
    case "tooManyTiles":
      return `A page holds ${t.facts.most} tiles at most; this would be ${t.facts.tiles}.`;
    case "tooManyPages":
      return `One project holds ${t.facts.most} pages at most. Nothing was changed.`;
    case "spreadSplit":
      return "A spread would end up on the front and back of one leaf. Move it by two pages, or put an empty page before it.";
    case "lastPage":
      return "A project needs at least one page. Empty this one, or remove the whole project.";
    case "lookedAtOnly":
      return keeping.onlyLooking;
    case "pageThere":
    case "pageGone":
    case "tileGone":
    case "noArrangement":
      return "That is no longer on the page. Nothing was changed.";
  }
}

export const arranged = {
  allLocked: "Everything on this page is locked. Unlock a tile, and the rest can be arranged again.",
  left: (n: number) =>
    n === 1 ? "1 photo did not fit and stays on the shelf." : `${n} photos did not fit and stay on the shelf.`,
  gapNow: (gap: string) => `The gap is now ${gap}, so that all these photos fit.`,
};
