import { formats } from "./formats.ts";

const kindNames = {
  jpeg: "JPEG",
  png: "PNG",
  tiff: "TIFF",
  webp: "WebP",
  pdf: "PDF",
  svg: "SVG",
  ora: "OpenRaster file",
};

export const sendOptions = {
  asLab: (lab: string) => `As ${lab} wants it`,
  asUsual: "As every lab takes it",
  asAsked: "As you asked for it",
  otherwise: "More options",
  backToLab: "As the lab wants it",
  backToUsual: "As every lab takes it",
  kind: "Kind of file",
  kinds: {
    jpeg: "JPEG",
    png: "PNG, nothing lost",
    tiff: "TIFF, nothing lost",
    webp: "WebP, for the web",
    pdf: "PDF, words stay words",
    svg: "SVG drawing",
    ora: "OpenRaster, in layers",
  },
  quality: "Quality, %",
  holds: "A file holds",
  holdsWhat: {
    lab: "what the lab wants",
    pages: "a page",
    spreads: "a spread",
    mixed: "a spread; first and last a page",
  },
  colour: "Colours",
  colours: { srgb: "sRGB", displayP3: "Display P3" },
  fullColour: "Colours as fine as light and dark (4:4:4)",
  progressive: "Coarse first, then finer (progressive)",
  marks: "Marks for the printer: where to cut and fold, register, page line",
  lossless: "PNG and TIFF photos without loss (a larger file)",
  deep: "16 bits a colour where a photo has them (a larger file)",
  packing: "Packed",
  packings: { none: "not at all", lzw: "LZW", deflate: "deflate" } as const,
  sharpen: "Sharpened for paper",
  sharpenOff: "not at all",
  sharpenFor: { gloss: "glossy paper", matt: "matt paper" },
  labPaper: (lab: string, paper: string) =>
    `${lab} prints on ${paper}. Many labs sharpen by themselves: ask before you do it here.`,
  forScreen: "Small, for the web or a mail: without bleed",
  longSide: "Longer side, pixels",
  small: "Small, to read on screen",
  named: "Name its layers after the photos’ captions",
  withoutBleed: "Already cut: without bleed",
};

export const send = {
  slug: (title: string, page: number | "cover", size: string) =>
    `${title}   ${page === "cover" ? "Cover" : `Page ${page}`}   ${size}`,
  bareLeftOut: (n: number) =>
    n === 1 ? "1 page has nothing on it and is left out." : `${n} pages have nothing on them and are left out.`,
  title: "Send",
  lead: "Each file exactly as the lab wants it.",
  file: "File",
  pixels: "Pixels",
  density: "Density",
  colour: "Colour",
  colours: { srgb: "sRGB profile inside", displayP3: "Display P3 profile inside" },
  colourNames: { srgb: "sRGB", displayP3: "Display P3" },
  trim: "After cutting",
  bleed: "Cut away on each side",
  noBleed: "nothing",
  which: "Which pages",
  allPages: (n: number) => `All ${n} files`,
  thisPage: "Only this one",
  somePages: "Some pages",
  whichSome: "Pages, as 1-4, 8",
  noneOfThose: "There is no such page. Type numbers, or from and to: 1-4, 8.",
  theCover: "The cover",
  /** What is typed for it among page numbers. */
  coverWord: "cover",
  pagesExample: (coverToo: string | undefined) => (coverToo ? `${coverToo}, 1-4, 8` : "1-4, 8"),
  pageOf: (n: number, of: number) => `Page ${n} of ${of}`,
  pageBefore: "The page before",
  pageAfter: "The page after",
  where: "Where to",
  toEach: "Separate files",
  toDisk: "To this disk",
  toZip: "In one zip",
  toFolder: "Into a folder",
  toLab: "To the lab",
  sendTo: (lab: string) => `Send it to ${lab}`,
  orders: (n: number) => (n === 1 ? "1 order" : `${n} orders`),
  save: (n: number, kind: keyof typeof kindNames) =>
    n === 1 ? `Save the ${kindNames[kind]} to disk` : `Save ${n} ${kindNames[kind]}s to disk`,
  saveAgain: (n: number) => (n === 1 ? "Save it once more" : "Save them once more"),
  copies: (kind: "collage" | "book" | "pockets" | "prints") => (kind === "book" ? "How many books" : "Copies of each"),
  goOn: (n: number) => (n === 1 ? "Try again" : "Go on where it stopped"),
  left: (done: number, of: number) =>
    `${of} files were being made when Tessip was closed. ${done} of them are done and were kept.`,
  making: (n: number) => (n === 1 ? "Making the file" : `Making ${n} files`),
  fileOf: (n: number, of: number, name: string, percent: number) => `File ${n} of ${of}: ${name}, ${percent} %`,
  handing: "Handing them over",
  handingShare: (percent: number) => `On the way to the lab, ${percent} %`,
  paused: (done: number, of: number) => `Paused: ${done} of ${of} are done.`,
  pause: "Pause",
  resume: "Go on",
  doneKept: (done: number, of: number) =>
    `${done} of ${of} files are done and kept. Going on makes only those that are missing.`,
  makingShare: (percent: number) => `${percent} % done`,
  cancelled: "Stopped. Nothing was saved.",
  saved: "Saved",
  savedLead: (names: readonly string[]) =>
    names.length === 1
      ? `${names[0]} is among your downloads.`
      : `${names.length} files, from ${names[0]} to ${names.at(-1)}, are where you wanted them.`,
  savedFacts: (w: number, h: number, ppi: number, colour: string, mb: string) =>
    `Checked: the file is right. ${formats.number(w)} × ${formats.number(h)} pixels, ${ppi} ppi, ${colour}, ${mb} MB.`,
  savedWhole: (mb: string) => `Checked: the file is whole. ${mb} MB.`,
  tooLarge: (n: number, mb: number) =>
    n === 1
      ? `The lab takes files up to ${mb} MB, and this one is larger.`
      : `${n} files are larger than the ${mb} MB that the lab takes.`,
  tooLargeLead: (first: string, n: number, mb: string) =>
    n === 1
      ? `${first}: ${mb} MB. It was saved, but the lab would refuse it.`
      : `${first} and ${n - 1} more, up to ${mb} MB. They were saved, but the lab would refuse them.`,
  refused: (n: number, of: number) =>
    n === 1 ? `1 of ${of} files could not be made.` : `${n} of ${of} files could not be made.`,
  saveOthers: (n: number) => (n === 1 ? "Save the other one" : `Save the other ${n}`),
  writeOver: "Write over them",
  lowerQuality: (percent: number) => `Take quality ${percent} % instead`,
  whole: "As the lab gets it",
  cut: "As you get it back",
  veil: "The shaded edge is trimmed off.",
  view: "What to show",
  wrong: (n: number) => (n === 1 ? "1 thing to fix before printing." : `${n} things to fix before printing.`),
  doubts: (n: number) => (n === 1 ? "1 thing is worth a look." : `${n} things are worth a look.`),
  toCheck: (n: number) => (n === 1 ? "Look at it" : "Look at them"),
  nothing: "Nothing to send yet",
  nothingLead: "Put photos on the page first. Then the file for the lab is made here.",
  toPages: "To the page",
  stillChecking: "Still looking at what changed …",
  allGood: "Everything was checked, and there is nothing to fix.",
};

/** The first few of a list, and how many more there are. */
function someOf(list: string): string {
  const all = list.split(", ");
  return all.length <= 3 ? list : `${all.slice(0, 2).join(", ")} and ${all.length - 2} more`;
}

export function printTrouble(code: string, detail: string): string {
  switch (code) {
    case "photoUnreadable":
      return `A photo could not be read: ${detail}. Nothing was saved; put another in its place and try again.`;
    case "tooLargeHere":
      return `This browser cannot hold a picture of ${detail} pixels. Nothing was saved; close other tabs and try again, or choose fewer ppi.`;
    case "workerDied":
      return "The browser ran out of memory while making the file. Nothing was saved, and your page is kept; close other tabs and try again.";
    case "tooLargeForKind":
      return `${detail} pixels are more than this kind of file can hold. Choose another kind under More options.`;
    case "storageFull":
      return "There is no room left on this disk. Make some, then go on.";
    case "folderRefused":
      return "The browser may no longer write into that folder, or it is gone. Choose it again, or save a zip.";
    case "folderHas":
      return `In that folder there are files of these names already: ${someOf(detail)}. Nothing there was changed.`;
    case "namesMeet":
      return `Two files would have the same name, ${detail}. Give the lab's pattern of names a {page}, so that none is lost.`;
    case "labGone":
      return "The lab does not answer. Everything that was made is kept; try again in a while.";
    case "labFull":
      return "The lab takes no more orders just now. Everything that was made is kept; try again later.";
    case "cutOff":
      return "The line to the lab was cut. What has arrived there stays there: going on sends only the rest.";
    case "labRefused":
      return "The lab has looked at the files and sends them back. You find its reasons under Orders.";
    case "folderWrong":
      return `A file did not arrive whole in the folder: ${detail}.`;
    case "fontMissing":
      return `A font could not be loaded: ${detail}. Nothing was saved. Check the connection and try again.`;
    case "fileWrong":
      return "The file came out different from what the lab wants, so it was not saved. Try again.";
    default:
      return "The file could not be made. Nothing was saved, and your page is kept. Try again.";
  }
}
