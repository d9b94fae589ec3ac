import type { Project } from "#core/document";
import type { FormatTrouble } from "#core/lab";
import type { Refusal } from "#core/result";
import { formats } from "./formats.ts";

type Kind = Project["kind"];

export const start = {
  title: "What are you making?",
  yourWork: "Your projects",
  allWorks: (n: number) => `All ${n} projects`,
  fewerWorks: "Only the latest",
  worksUnread: "Your projects could not be read from this browser just now. Nothing was deleted.",
  open: (name: string) => `Open ${name}`,
  remove: (name: string) => `Remove ${name}`,
  removed: (name: string) => `Removed “${name}”. Its photos stay.`,
  pageCount: (n: number) => `${n} pages`,
  printCount: (n: number) => (n === 0 ? "No prints yet" : n === 1 ? "1 print" : `${n} prints`),
  lastWorked: (when: string) => `Last changed ${when}`,
  seeDamaged: "See what can be saved",
  damaged: (n: number) =>
    n === 1
      ? "One project could not be read. It is left as it is."
      : `${n} projects could not be read. They are left as they are.`,
  lab: "Who prints it",
  labsMissing: "The lab cards could not be loaded. You can still type a size of your own.",
  ownLabs: "Add another lab …",
  ownSize: "A size of my own",
  ownSizeAbout: "For your own printer, or a lab that is not listed.",
  size: "Size",
  upright: "Portrait",
  sideways: "Landscape",
  orientation: "Orientation",
  width: "Width",
  height: "Height",
  bleed: "Bleed",
  bleedHelp: "Extra picture on each side that is cut away.",
  ppi: "Sharpness, ppi",
  unit: "Unit",
  facts: (bleed: string, ppi: number) =>
    bleed.startsWith("0 ") ? `no bleed · ${ppi} ppi` : `${bleed} bleed · ${ppi} ppi`,
  pixels: (w: number, h: number) => `The file will be ${formats.number(w)} × ${formats.number(h)} pixels.`,
  kinds: { collage: "A collage", book: "A book", pockets: "Pocket pages", prints: "Photo prints" },
  kindsAbout: {
    collage: "Many photos on one sheet, or on a few.",
    book: "Pages bound by a lab, with a cover.",
    pockets: "Cards and photos cut for clear pockets in a binder.",
    prints: "Each photo by itself, in the sizes you choose.",
  },
  begin: (kind: Kind) =>
    ({
      collage: "Start this collage",
      book: "Start this book",
      pockets: "Start these pages",
      prints: "Start these prints",
    })[kind],
  beginWith: (kind: Kind, n: number) => {
    const what = { collage: "this collage", book: "this book", pockets: "these pages", prints: "these prints" }[kind];
    return n === 1 ? `Start ${what} with 1 photo` : `Start ${what} with ${n} photos`;
  },
  carried: (n: number) => (n === 1 ? "With the photo you chose" : `With the ${n} photos you chose`),
  notCarried: "Without them",
  sizesThere: "Sizes there",
  sizesLater: "You choose sizes and copies photo by photo, and see the price as you do.",
  newName: (kind: Kind, n: number) => {
    const what = { collage: "My collage", book: "My book", pockets: "My pocket pages", prints: "My prints" }[kind];
    return n <= 1 ? what : `${what} ${n}`;
  },
  previewLabel: "How it could look",
  noPhotos: "First, some photos",
  noPhotosLead: "Drop them anywhere in this window. They stay in this browser; nothing is sent away.",
  haveNone: "Just looking around?",
};

export function formatTrouble(t: Refusal<FormatTrouble>, length: (mm: number) => string): string {
  switch (t.code) {
    case "sizeTooSmall":
      return `Each side has to be at least ${length(Number(t.facts.leastMm))}.`;
    case "sizeTooLarge":
      return `No side can be longer than ${length(Number(t.facts.mostMm))}.`;
    case "bleedOutside":
      return `Bleed goes from nothing to ${length(Number(t.facts.mostMm))}.`;
    case "ppiOutside":
      return `Sharpness goes from ${t.facts.least} to ${t.facts.most} ppi.`;
    case "tooManyPixels":
      return `So large a page has too many pixels for one file. It fits at ${t.facts.fitsPpi} ppi.`;
  }
}

export const lengthTrouble = {
  emptyLength: "Type a number.",
  notALength: "That is not a length. Try 12, 8 1/2 in, or 30 / 2.",
  dividedByZero: "Nothing can be divided by zero.",
};
