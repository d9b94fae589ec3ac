import type { AlternativeKind } from "#core/arrange";
import type { ChangeTrouble } from "#core/document";
import type { Sharpness } from "#core/fit";
import type { OutlineName } from "#core/outlines";
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

export const panel = {
  partsBeside: "Two parts, side by side",
  partsOfSpread: "The left page and the right page, each by itself",
  partsStacked: "Two parts, one above the other",
  onePart: "One part again",
  page: "This page",
  print: "This print",
  grid: "Grid",
  arrangement: "Arrangement",
  alternatives: "Other ways",
  waysLooking: "Looking for other ways …",
  keepOrder: "In order",
  keepLeader: "Keep the big one",
  cropNothing: "Nothing cropped",
  noAlternatives: "No other way does all of that.",
  way: (i: number, kind: string, crop: string, order: string) => `Way ${i}: ${kind}, ${crop}, ${order}`,
  wayKinds: {
    exact: "Exact fit",
    rows: "Rows",
    columns: "Columns",
    leader: "One big photo",
    strips: "Strips",
    whole: "Whole photos",
  } as Record<AlternativeKind, string>,
  wayCrop: (crop: number) =>
    crop < 0.0005 ? "nothing cropped" : `${formats.percent(crop, crop < 0.0995 ? 1 : 0)} cropped`,
  wayOrder: (tau: number) => (tau > 0.97 ? "in order" : tau > 0.7 ? "nearly in order" : "out of order"),
  shuffle: "Shuffle",
  again: "Arrange again",
  asFirst: "Back to the first arrangement",
  lastShuffle: "Back to the previous shuffle",
  mirrorSides: "Mirror left to right",
  mirrorUpside: "Mirror top to bottom",
  holdOrder: "Keep the photos in order",
  holdOrderMeans: "Read in lines from the top, each from the left, every photo comes after the one before it.",
  makeRows: "In rows",
  rowsOfOneHeight: "Rows of one height",
  makeGrid: "As a grid",
  fitExactly: "Fit exactly",
  lead: "Make it the biggest",
  leadMore: "Larger",
  leadLess: "Smaller",
  leadShare: "Of the page, %",
  lock: "Lock its place",
  lockFilling: "Lock what is in it",
  lockMany: "Lock their places",
  together: "Keep together",
  equal: "Equally large",
  equalCost: (share: number) =>
    share < 0.0005
      ? "They are equally large, and nothing more is cropped."
      : `They are equally large: ${formats.percent(share, share < 0.0995 ? 1 : 0)} more of the photos is cropped for it.`,
  equalNot: "They cannot be quite as large as each other: lines between them were moved by hand.",
  slipBeside: "Slip the chosen photo in",
  slipAt: { left: "Left of it", right: "Right of it", top: "Above it", bottom: "Below it" },
  turnShape: "Turn its shape",
  replaceAll: (n: number) => `Put it in all ${n} places of this photo`,
  fillColour: "Plain colour",
  colourInstead: "Fill it with a colour",
  noColour: "Remove the colour",
  splitAcross: "Split side by side",
  splitDown: "Split one above the other",
  takeAway: "Remove and close the gap",
  takeAwayMany: (n: number) => `Remove ${n} and close the gaps`,
  shape: "Shape",
  shapeOfPhoto: "As the photo",
  bestFit: "Fit the photos best",
  rows: "Rows",
  columns: "Columns",
  rowsColumnsHelp: "Leave a side empty and it is chosen for you.",
  cropped: (share: number) =>
    share < 0.0005
      ? "Nothing is cropped"
      : `${formats.percent(share, share < 0.0995 ? 1 : 0)} of the photos is cropped`,
  gapAndMargin: "Gap and margin",
  edges: "Corners and border",
  tileEdges: "Outline and border",
  theyDiffer: "They differ. What you set here goes onto all of them.",
  behindAll: "Background",
  gap: "Gap",
  margin: "Margin",
  marginOf: { left: "Left margin", right: "Right margin", top: "Top margin", bottom: "Bottom margin" },
  marginApart: "Each side",
  marginSame: "All alike",
  fullBleed: "Full bleed",
  nearTrim: "The photos end so close to the cut that it would show if the cut is a little off. Choose:",
  outToEdge: "Over the edge",
  intoSafe: (by: string) => `${by} inside`,
  outline: "Outline",
  opacity: "Opacity, %",
  takeLook: "Take its look for other tiles",
  lookInHand: "Click each tile that gets this look. Escape ends it.",
  lookDone: "Done",
  outlines: {
    rectangle: "Rectangle",
    ellipse: "Ellipse",
    arch: "Arch",
    heart: "Heart",
    polygon: "Polygon",
    star: "Star",
    pennant: "Pennant",
    tag: "Tag",
    ticket: "Ticket",
    scallops: "Scalloped",
    corners: "Own corners",
    torn: "Torn edge",
    path: "A shape of its own",
  } satisfies Record<OutlineName, string>,
  polygonSides: "Sides",
  starPoints: "Points",
  starInner: "Hollows, %",
  scallopSize: "Scallops",
  tornDepth: "Torn by",
  tornAgain: "Tear it otherwise",
  cornerNames: ["Top left", "Top right", "Bottom right", "Bottom left"] as readonly string[],
  cornerCuts: { round: "Round", bevel: "Cut", scoop: "Scooped" },
  corner: "Corners",
  border: "Border",
  cardBleed: "Bleed of this card",
  bleedOfAll: "Bleed as all cards have it",
  borderColour: "Border colour",
  pageColour: "Page colour",
  ownColour: "Another colour",
  colourNames: {
    "#ffffff": "White",
    "#f6f1e7": "Cream",
    "#d9d2c4": "Stone",
    "#22302b": "Pine",
    "#1b1b1b": "Black",
    "#b2472a": "Clay",
  } as Record<string, string>,
  nothing: "none",
  aTile: "This tile",
  tiles: (n: number) => `${n} tiles`,
  reframe: "Reframe",
  empty: "Remove the photo only",
  emptyMany: (n: number) => `Remove ${n} photos only`,
  swap: "Swap their photos",
  putChosenMany: (n: number) => `Put the ${n === 1 ? "chosen photo" : `${n} chosen photos`} here`,
  putChosen: "Put the chosen photo here",
  putChosenHelp: "Choose one photo on the shelf, then it can go in here.",
  taken: "Taken",
  size: "On paper",
  zoom: "Zoom",
  turn: "Turn",
  flip: "Mirror left to right",
  flipDown: "Mirror top to bottom",
  quarterLeft: "A quarter to the left",
  quarterRight: "A quarter to the right",
  straighten: "Straighten by a line",
  straightenHelp: "Draw a line along what should be level or upright: the horizon, a mast.",
  whole: "Show all of the photo",
  behind: "Beside it",
  behindPage: "The page",
  reset: "Back to the first crop",
  reframeHelp: "Drag the photo, turn the wheel, or use the arrow keys and + −. Enter when it is right.",
  ppi: (n: number) => `${n} ppi`,
  sharpAt: (size: string) => `Fully sharp up to ${size}`,
  unit: "Unit",
};

export const pieces = {
  title: "Everything, front to back",
  none: "Nothing is on this page yet.",
  empty: "An empty place",
  group: (count: number) => (count === 1 ? "A group of 1 tile" : `A group of ${count} tiles`),
  colour: "A plain colour",
  words: (text: string) => (text.trim() === "" ? "Words, nothing written yet" : text),
  hide: (name: string) => `Hide ${name}`,
  show: (name: string) => `Show ${name} again`,
  lock: (name: string) => `Lock the place of ${name}`,
  unlock: (name: string) => `Unlock ${name}`,
  forward: (name: string) => `Bring ${name} forward`,
  back: (name: string) => `Send ${name} back`,
  choose: (name: string) => `Choose ${name}`,
  name: "Name",
};

export const sharpnessWords: Record<Sharpness, { readonly short: string; readonly long: string }> = {
  sharp: { short: "Sharp", long: "As sharp as this lab can print." },
  fair: { short: "Good enough", long: "A little below the best. Most people will not see it." },
  soft: { short: "Soft", long: "Below the least that this lab takes. It will look blurred." },
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
