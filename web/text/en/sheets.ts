import type { SheetTrouble } from "#core/sheets";

export const sheets = {
  title: "Print sheets",
  lead: "What you print and cut apart, on as little paper as possible.",
  empty: "Nothing to print yet",
  emptyLead:
    "Take the cards from your pockets, whole pages, or photos in any size. They are laid on sheets that come apart with straight cuts.",
  wanted: "To print",
  takeCards: "All cards of the pockets",
  takeCardsAgain: "Update the cards",
  takePages: "All pages",
  takePhotos: "Photos …",
  photosTitle: "Photos in a size",
  photosLead: (n: number) =>
    n === 0
      ? "Choose photos in the shelf or among the photos first; then come back here."
      : n === 1
        ? "1 photo is chosen."
        : `${n} photos are chosen.`,
  size: "Size",
  ownSize: "Another size",
  width: "Width",
  height: "Height",
  takeThem: (n: number) => (n === 1 ? "Take this photo" : `Take these ${n} photos`),
  outdated: (n: number) =>
    n === 1 ? "1 card has changed since it was taken." : `${n} cards have changed since they were taken.`,
  kinds: {
    insert: (n: number) => (n === 1 ? "1 card" : `${n} cards`),
    page: (n: number) => (n === 1 ? "1 page" : `${n} pages`),
    photo: (n: number) => (n === 1 ? "1 photo" : `${n} photos`),
  },
  copies: "Copies of each",
  copiesDiffer: "Copies of each (not the same now)",
  forAll: "What you set here is for all of them. Pick some to set it for those alone.",
  forSome: (n: number, of: number) => `What you set here is for ${n} of ${of}.`,
  piece: (n: number, copies: number) => (copies === 1 ? `Piece ${n}` : `Piece ${n}, ${copies} copies`),
  more: "More about these",
  less: "Less about these",
  bleed: "Bleed",
  spare: "May be larger by",
  spareHelp: "Saves a cut where so little is left over.",
  border: "White border",
  corner: "Round corners to",
  turns: "May lie on its side",
  fills: "Fill what is left over with it",
  remove: (what: string) => `Do not print ${what}`,
  group: (kind: string, size: string) => `${kind}, ${size}`,
  on: "Paper",
  stocks: { lab: "A lab's prints", printer: "My printer", roll: "A roll" },
  lab: "Lab",
  loses: (mm: string) => `The machine may lose ${mm} at each edge: that is taken from the bleed.`,
  cutsAway: (mm: string) => `The lab cuts ${mm} away on each side: that is bleed.`,
  each: (price: string) => `${price} each`,
  noPrice: "no price",
  paperWidth: "Paper width",
  paperHeight: "Paper height",
  margin: "Cannot print at the edge",
  price: "Price of a sheet",
  rollWidth: "Roll width",
  longest: "Longest piece",
  metre: "Price of a metre",
  ppi: "Pixels per inch",
  how: "How",
  share: "They share a cut",
  apart: "Gap",
  spacing: "Space",
  together: "Keep each page's cards on one sheet",
  marks: "Cut marks",
  marksKinds: { outside: "beside the cards", edges: "at the sheet's edges", none: "none" },
  labels: "Page and pocket",
  labelKinds: { beside: "beside each card", back: "on the back", none: "not printed" },
  pack: "Pack the sheets",
  packAgain: "Pack again",
  changed: "What you print has changed since these sheets were packed.",
  packing: (percent: number) => `Packing, ${percent} %`,
  soFar: (n: number, cost: string) => `So far ${n === 1 ? "1 sheet" : `${n} sheets`}${cost}`,
  cost: (n: number, cost: string) => `${n === 1 ? "1 sheet" : `${n} sheets`}${cost}`,
  costIs: (price: string) => `, ${price}`,
  proven: "Nothing cheaper is possible.",
  used: (percent: number) => `${percent} % of the paper is used`,
  fill: "Fill what is left over",
  filled: (n: number) =>
    n === 0 ? "Nothing more fits in what is left over." : n === 1 ? "1 copy more" : `${n} copies more`,
  sheetOf: (n: number, of: number, name: string) => `Sheet ${n} of ${of}${name ? `, ${name}` : ""}`,
  sheetsList: "All sheets",
  card: (label: string, sheet: number) => `${label}, on sheet ${sheet}`,
  moveTo: "Move to",
  toSheet: (n: number) => `Sheet ${n}`,
  noRoom: "There is no room for it on that sheet as everything lies.",
  cuts: "Cut in this order",
  cutsLead: "The trimmer is set to the measure from that edge of the piece in hand.",
  /** `turned`: the sheet is shown with its left edge at the foot. */
  cut: (way: "down" | "across", set: string, waste: "strip" | "rest" | undefined, turned = false) =>
    `${way === "across" ? (turned ? "From the left" : "From the top") : turned ? "From the foot" : "From the left"} ${set}${waste === undefined ? "" : waste === "strip" ? ": a strip of waste" : ": the rest is waste"}`,
  noCuts: "Nothing to cut: each sheet is one card.",
  insertLabel: (page: number, pocket: number) => `page ${page}, pocket ${pocket}`,
  pageLabel: (page: number) => `page ${page}`,
  test: "Test print",
  testLead: (long: string) =>
    `Printers enlarge a little, or do not. Print a sheet with rulers as you print the others, and measure: ${long} on it should be ${long}.`,
  testSave: "Save a test print with rulers",
  testName: "test print",
  testMeasures: "A ruler measures",
  testOff: (least: string, most: string) => `That is too far off to be the printer. It can be ${least} to ${most}.`,
  testMade: (percent: string) =>
    percent.startsWith("-")
      ? `Sheets are made ${percent.slice(1)} % smaller, so that cards come out right.`
      : `Sheets are made ${percent} % larger, so that cards come out right.`,
  rulerAcross: (long: string) => `This ruler is ${long} long from end to end. Measure it, and type in what you find.`,
  rulerDown: (long: string) =>
    `The one at the left is ${long} as well. Print in the same way as the sheets, without “fit to page”.`,
  files: "Files of the sheets",
  saveSheets: (n: number) => (n === 1 ? "Save the sheet" : `Save ${n} sheets`),
  sheetCopies: "Copies of each sheet",
  saveList: "Save the cutting list",
  orderFrom: (lab: string) => `Order them from ${lab}`,
  backName: "back",
  listName: "cutting-list",
  listTitle: (name: string) => `${name}: cutting list`,
  listSheet: (n: number, of: number, name: string, cards: number) =>
    `Sheet ${n} of ${of}${name ? `, ${name}` : ""}: ${cards === 1 ? "1 card" : `${cards} cards`}`,
};

export function sheetTrouble(
  code: SheetTrouble | string,
  facts: Readonly<Record<string, unknown>>,
  size: string,
): string {
  switch (code) {
    case "nothingWanted":
      return "There is nothing to print. Take cards, pages or photos first, with at least one copy.";
    case "tooManyPieces":
      return `${facts.pieces} pieces are more than the ${facts.most} that can be packed at once. Ask for fewer copies.`;
    case "noSheets":
      return "No sheet is chosen. Choose at least one size to print on.";
    case "nothingPrintable":
      return "The margins and the bleed leave nothing of the paper to print on. Make them smaller, or the paper larger.";
    case "cardTooLarge":
      return `A piece of ${size} fits on none of these sheets. Choose a larger sheet, or make it smaller.`;
    default:
      return "The sheets could not be packed. What you want to print is kept; try again.";
  }
}
