import type { Edge, Finding, FixCode, LabPart, Risk, Severity } from "#core/check";
import type { PageFormat } from "#core/lab";
import { formatLength, formatSize, type Unit } from "#core/units";
import { formats } from "./formats.ts";

export const check = {
  title: "Check",
  lead: "What could go wrong on paper, the worst first. A button puts it right; what you want as it is can be left like this.",
  nothing: "Ready to print",
  nothingLead: "Every page was looked at: cut, fold, sharpness, words, binding and file names.",
  toSend: "Go on to Send",
  looking: "Looking at what changed …",
  weights: {
    wrong: "To fix before printing",
    doubt: "Worth a look",
    hint: "Good to know",
  } satisfies Record<Severity, string>,
  goThere: "Go there",
  toPhotos: "To these photos",
  meantSo: "Leave it like this",
  meantTitle: (n: number) => (n === 1 ? "Leave it like this?" : `Leave all ${n} like this?`),
  meantLead: "It is not shown again until something changes there.",
  meantWhy: "Why, for yourself (if you like)",
  meantDo: "Leave it",
  accepted: (n: number) => (n === 1 ? "1 thing is left as it is" : `${n} things are left as they are`),
  lookAgain: "Show it again",
  noReason: "without a reason",
  showAll: (n: number) => `Show all ${n}`,
  fixAll: (what: string, n: number) => `${what}: all ${n}`,
  notFixed: "That could not be put right from here. Go there and put it right by hand.",
  page: (n: number) => `Page ${n}`,
  cover: "The cover",
  wholeWork: "The whole project",
  chart: "How sharp each photo prints",
  chartSays: (sharp: number, fair: number, soft: number) =>
    `${sharp + fair + soft} photos: ${sharp} as sharp as the lab wants, ${fair} a little less, ${soft} below what it takes.`,
  chartNothing: "No photo is on a page yet.",
  wanted: (ppi: number) => `${ppi} wanted`,
  least: (ppi: number) => `${ppi} at least`,
  dot: (page: string, ppi: number) => `${page}: ${Math.round(ppi)} ppi`,
};

export const fixWords: Record<FixCode, string> = {
  takeAway: "Remove it and close the gap",
  useSharper: "Use the sharper one",
  sharperPlace: "Move it to a smaller place",
  printSmaller: "Make it smaller on the page",
  cover: "Fill the tile",
  reachBleed: "Extend it past the cut",
  moveInside: "Move it inside",
  insetWords: "Move the words in from the edge",
  frameByFocus: "Crop it around the heads",
  fullBleed: "No margin: full bleed",
  widerMargin: "A wider margin",
  dropBorder: "No border here",
  noShadow: "No shadow here",
  lowerShadow: "A lower shadow",
  evenSoft: "Soft alike on all sides",
  widerWhiteBorder: "A wider border",
  wholeInBorder: "Show all of the page",
  growWords: "Make their place larger",
  shrinkWords: "Make the words smaller",
  boldWords: "Make the letters bold",
  plainSpine: "Take a plain font for the spine",
  enlargeWords: "Make the words larger",
  readableInk: "Make the words readable",
  keepBlank: "Leave empty",
  addPages: "Add the missing pages",
  makeCover: "Make the cover",
  clearSpine: "Take the words off the spine",
};

const edgeWords: Record<Edge, string> = { left: "left", top: "top", right: "right", bottom: "bottom" };
const edges = (list: readonly Edge[]) => list.map((e) => edgeWords[e]).join(" and ");

const labPartWords: Record<LabPart, string> = {
  sizes: "its sizes",
  bleed: "the bleed",
  safe: "the safe distance",
  ppi: "the sharpness it wants",
  file: "its files and their names",
  book: "how its books are bound",
};

const riskTitle = (what: string, risk: Risk): string =>
  risk === "cut" ? `${what} cut off` : risk === "fold" ? `${what} in the fold` : `${what} close to the cut`;

/** What it is called, for one or for many of its kind. */
export function findingTitle(f: Finding, n: number): string {
  const many = (one: string, more: string) => (n === 1 ? one : `${n} ${more}`);
  switch (f.code) {
    case "emptyTile":
      return many("An empty tile", "empty tiles");
    case "soft":
      return many("A photo that prints soft", "photos that print soft");
    case "lessSharp":
      return many("A photo less sharp than wanted", "photos less sharp than wanted");
    case "uncovered":
      return many("A strip beside a photo", "strips beside photos");
    case "shortOfBleed":
      return many("A tile that ends at the cut", "tiles that end at the cut");
    case "wordsAtRisk":
      return riskTitle(n === 1 ? "Words" : `Words in ${n} places`, f.risk);
    case "faceAtRisk":
      return riskTitle(many("A head", "heads"), f.risk);
    case "faceCropped":
      return many("A photo cut through a head", "photos cut through a head");
    case "faceInGap":
      return many("A head falls into a gap", "heads fall into gaps");
    case "faceCovered":
      return many("A head lies under something else", "heads lie under something else");
    case "focusCut":
      return n === 1 ? "What matters in a photo is cut off" : `What matters is cut off in ${n} photos`;
    case "thinMargin":
      return many("A margin too thin to be cut evenly", "margins too thin to be cut evenly");
    case "thinBorder":
      return many("A border that may be cut unevenly", "borders that may be cut unevenly");
    case "shadowCut":
      return many("A shadow that the cut goes through", "shadows that the cut goes through");
    case "unknownDesign":
      return n === 1
        ? "A paper or an ornament of a newer version"
        : `Papers or ornaments of a newer version, in ${n} places`;
    case "thinWhiteBorder":
      return n === 1
        ? "A border around the page that may be cut crooked"
        : `Borders that may be cut crooked, on ${n} pages`;
    case "whiteBorderCuts":
      return n === 1
        ? "Words under the border around the page"
        : `Words under the border around the page, in ${n} places`;
    case "whiteBorderHeads":
      return many("A photo with a head under the border", "photos with a head under the border");
    case "softEnds":
      return many("A soft edge that ends too early", "soft edges that end too early");
    case "wordsHidden":
      return n === 1 ? "Words that do not fit" : `Words that do not fit, in ${n} places`;
    case "wordsThin":
      return n === 1 ? "Thin letters on something dark" : `Thin letters on something dark, in ${n} places`;
    case "spineScript":
      return "A joined script on the spine";
    case "wordsSmall":
      return f.byLab
        ? n === 1
          ? "Words smaller than the lab prints"
          : `Words smaller than the lab prints, in ${n} places`
        : n === 1
          ? "Very small words"
          : `Very small words in ${n} places`;
    case "wordsFaint":
      return n === 1 ? "Words too faint to read" : `Words too faint to read, in ${n} places`;
    case "lettersMissing":
      return n === 1 ? "Letters that the font does not have" : `Letters that the font does not have, in ${n} places`;
    case "fontMissing":
      return n === 1 ? "A font that is not here" : `A font that is not here, in ${n} places`;
    case "originalGone":
      return many("A photo whose file is gone", "photos whose files are gone");
    case "beyondSrgb":
      return many("Colours brighter than the print can show", "photos brighter than the print can show");
    case "blankPage":
      return many("A blank page", "blank pages");
    case "pageLeftOut":
      return many("A page without a file", "pages without a file");
    case "photoTwice":
      return f.together
        ? many("The same photo twice, seen together", "photos twice, seen together")
        : many("A photo on more than one page", "photos on more than one page");
    case "alikeTogether":
      return many("Two photos nearly the same, side by side", "pairs of photos nearly the same, side by side");
    case "starredLeftOut":
      return f.photoIds.length === 1 ? "A starred photo on no page" : `${f.photoIds.length} starred photos on no page`;
    case "eventLeftOut":
      return many("An event on no page", "events on no page");
    case "outOfTime":
      return many("A page out of the order of time", "pages out of the order of time");
    case "pageCount":
      return `${f.pages} pages cannot be bound`;
    case "coverMissing":
      return "The book has no cover yet";
    case "coverOfOtherSize":
      return "The cover was made for another spine";
    case "spineTooNarrow":
      return "The spine is too narrow for words";
    case "fileTooLarge":
      return "A file may become too large";
    case "nameTooLong":
      return "A file name too long for the lab";
    case "labChanged":
      return "The lab has changed what it asks for";
  }
}

/** Why it matters on paper. */
export function findingWhy(f: Finding): string {
  switch (f.code) {
    case "emptyTile":
      return "It prints as a bare patch in the colour of the page.";
    case "soft":
      return "There are too few pixels for the size. On paper, hair, leaves and letters in it run together.";
    case "lessSharp":
      return "It looks right at arm's length, and a little soft up close.";
    case "uncovered":
      return "The photo does not quite reach the edge of its tile. On paper the strip looks like a mistake.";
    case "shortOfBleed":
      return "A knife is never exact. What ends at the cut shows a white line wherever it falls a little outside.";
    case "wordsAtRisk":
    case "faceAtRisk":
      return f.risk === "cut"
        ? "The lab cuts this strip away."
        : f.risk === "fold"
          ? "The binding hides this strip when the book lies open."
          : "The cut may fall as far in as this. Keep what matters a little further in.";
    case "faceCropped":
      return "Part of a head lies outside of the tile. You may want it so in a close portrait.";
    case "faceInGap":
      return "One photo runs through these tiles, and part of a head lies between them. Reframe it to move the whole photo.";
    case "faceCovered":
      return "Another photo, a colour or an ornament on the page lies over part of it, or it was brushed away.";
    case "focusCut":
      return "The point that you set as what matters in this photo lies outside of what is printed.";
    case "thinMargin":
      return "A cut can be two millimetres off. So thin a margin comes out crooked, or not at all.";
    case "thinBorder":
      return "What the cut leaves of this border comes out wider on one side than on the other.";
    case "shadowCut":
      return "The tile lies inside the cut and its shadow goes on beyond it. On paper the shadow ends in a hard line.";
    case "unknownDesign":
      return "This version does not know how it is drawn, and leaves it out: of a paper only its ground is printed.";
    case "thinWhiteBorder":
      return f.told
        ? "The lab says that its cut may be further off than this border is wide. It comes out uneven, or is gone on one side."
        : "The lab does not say how exactly it cuts, and half an inch off is not unheard of. So thin a border comes out uneven, or is gone on one side.";
    case "whiteBorderCuts":
      return "An even border takes a little off two sides of a page that is not square.";
    case "whiteBorderHeads":
      return "An even border takes a little off two sides of a page that is not square.";
    case "softEnds":
      return "Sides that fade by themselves do not follow a round outline, which stays visible as a hard line.";
    case "wordsHidden":
      return "They are not printed.";
    case "wordsThin":
      return "Ink spreads a little: light strokes this thin close up on paper.";
    case "spineScript":
      return "On a shelf nobody reads joined letters from two metres away.";
    case "wordsSmall":
      return f.byLab
        ? "The lab refuses files with letters below its limit."
        : "On photo paper strokes this thin fill in.";
    case "wordsFaint":
      return "They are nearly as light as what lies behind them, and paper never shines as a screen does.";
    case "lettersMissing":
      return "A box or nothing is printed in their place. Another font may have them.";
    case "fontMissing":
      return "The words would be set in another font, and their lines would break elsewhere.";
    case "originalGone":
      return "Without its file it cannot be printed. Bring it in again, or put another in its place.";
    case "beyondSrgb":
      return "The strongest greens, reds and blues come out a little quieter than on this screen.";
    case "blankPage":
      return "It comes out as an empty page. That can be a rest for the eye, or a page that was forgotten.";
    case "pageLeftOut":
      return "There is nothing on it to print, so no file is made of it.";
    case "photoTwice":
      return f.together
        ? "Whoever opens the book here sees it twice at once."
        : "Readers meet it again later in the book. On a cover or at the start that can be nice.";
    case "alikeTogether":
      return "Next to each other they look like one photo taken twice.";
    case "starredLeftOut":
      return "You gave them stars, and the book covers their time, but nobody will find them in it.";
    case "eventLeftOut":
      return "The book covers the days around it, but nothing of it is in there.";
    case "outOfTime":
      return "The pages around it were taken earlier or later. Leafing through, the story jumps.";
    case "pageCount":
      return f.step > 1
        ? `The lab binds from ${f.least} to ${f.most} pages, in steps of ${f.step}.`
        : `The lab binds from ${f.least} to ${f.most} pages.`;
    case "coverMissing":
      return "The lab does not print the pages without one.";
    case "coverOfOtherSize":
      return "What was drawn for the spine would lie on the front or on the back.";
    case "spineTooNarrow":
      return "Below the lab's least width words would run onto the front. They are left off.";
    case "fileTooLarge":
      return "The lab refuses files above its limit. Lower quality, or files of single pages, are smaller.";
    case "nameTooLong":
      return "The lab refuses it. A shorter name for your project makes the files' names shorter.";
    case "labChanged":
      return "Your pages follow the card as it was when you began. Ask the lab, or choose its size again under Another size.";
  }
}

/** What is to be said of this one place. */
export function findingDetail(f: Finding, unit: Unit, format: PageFormat): string {
  const length = (mm: number) => formatLength(mm, unit, format.ppi);
  switch (f.code) {
    case "soft":
    case "lessSharp":
      return `${f.ppi} of ${f.needsPpi} ppi. Good up to ${formatSize(f.largest.w, f.largest.h, unit, format.ppi)}.`;
    case "uncovered":
      return `${length(f.sliverMm)} of the tile show the page.`;
    case "shortOfBleed":
      return `It has to reach ${length(f.bleedMm)} beyond the cut: ${edges(f.edges)}.`;
    case "wordsAtRisk":
      return f.risk === "near" ? `${length(f.beyondMm)} too close.` : `${length(f.beyondMm)} are lost.`;
    case "thinMargin":
      return `${length(f.marginMm)}: ${edges(f.edges)}.`;
    case "thinBorder":
      return f.leftMm === 0 ? "All of it is cut away." : `${length(f.leftMm)} of it are left.`;
    case "shadowCut":
      return `${length(f.beyondMm)} of it are cut away.`;
    case "unknownDesign":
      return `“${f.design}”`;
    case "thinWhiteBorder":
      return `${length(f.widthMm)} wide; the cut may be ${length(f.wanderMm)} off.`;
    case "whiteBorderCuts":
      return `${length(f.beyondMm)} are covered.`;
    case "whiteBorderHeads":
      return f.faces === 1 ? "1 face is not whole." : `${f.faces} faces are not whole.`;
    case "softEnds":
      return `${formats.percent(f.share, 0)} of the outline are still visible.`;
    case "wordsHidden":
      return f.words === 1 ? "1 word" : `${f.words} words`;
    case "wordsThin":
      return `Strokes of ${formats.number(f.strokeMm, 2)} mm; ${formats.number(f.leastMm, 2)} mm print well.`;
    case "spineScript":
      return f.font;
    case "wordsSmall":
      return f.byLab
        ? `${f.sizePt} pt; the lab prints none below ${f.leastPt} pt.`
        : `${f.sizePt} pt; ${f.leastPt} pt can be read.`;
    case "lettersMissing":
      return f.letters.join(" ");
    case "fontMissing":
      return f.face;
    case "originalGone":
      return f.photoName;
    case "beyondSrgb":
      return `${Math.round(100 * f.share)} % of the photo`;
    case "photoTwice":
      return `${f.times} times`;
    case "eventLeftOut":
      return `${f.name || f.from.slice(0, 10)}: ${f.photoIds.length} photos`;
    case "outOfTime":
      return `Taken ${f.after.slice(0, 10)}`;
    case "pageCount":
      return f.next === undefined ? "Take some pages out." : `The next number that it binds is ${f.next}.`;
    case "coverOfOtherSize":
      return `It is ${length(f.isMm)} wide; the lab needs ${length(f.needsMm)}.`;
    case "spineTooNarrow":
      return `It is ${length(f.spineMm)} wide; words need ${length(f.leastMm)}.`;
    case "fileTooLarge":
      return `About ${Math.round(f.estimatedMb)} MB; the lab takes ${f.mostMb} MB.`;
    case "nameTooLong":
      return `${f.name} has ${f.name.length} characters; the lab takes ${f.most}.`;
    case "labChanged":
      return f.what.map((w) => labPartWords[w]).join(", ");
    case "emptyTile":
    case "faceAtRisk":
    case "faceCropped":
    case "faceCovered":
    case "faceInGap":
    case "focusCut":
    case "wordsFaint":
    case "blankPage":
    case "pageLeftOut":
    case "alikeTogether":
    case "starredLeftOut":
    case "coverMissing":
      return "";
  }
}
