import type { CaptionPlace } from "#core/edit";
import { formats } from "./formats.ts";

/** The place where all that is written in a project is seen together. */
export const writing = {
  title: "Words",
  parts: { captions: "Captions", find: "Find and replace", names: "Names and dates" },
  partsLabel: "What to do with the words",
  whose: "Which photos",
  whoseWords: { project: "Photos of this project", all: "All photos" },
  onlyBare: "Only those without a caption",
  noPhotos: "No photo is on a page of this project yet.",
  noneBare: "Every one of these photos has a caption.",
  caption: (name: string) => `Caption of ${name}`,
  nothing: "Write what is to be seen here",
  keysHint: "Enter goes to the next photo, Shift and Enter begins a new line, the arrow keys go up and down.",
  captioned: (n: number, of: number) => `${n} of ${of} have a caption`,
  onPages: (pages: string) => `on page ${pages}`,
  onNone: "on no page",
  alsoEvent: (n: number) =>
    n === 1 ? "Write it for the other one of this event too" : `Write it for the other ${n} of this event too`,
  putTitle: "Onto the pages",
  putLead: "Captions stand by their photos, in the look of captions, and follow what you write here.",
  put: "Put captions on the pages",
  where: "Where they stand",
  places: { under: "Under the photo", beside: "Beside the photo", over: "On the photo" } as Record<
    CaptionPlace,
    string
  >,
  onlyStarred: "Only photos with stars",
  putDone: (n: number) => (n === 1 ? "1 caption is on its page now." : `${n} captions are on their pages now.`),
  takeBack: "Undo",
  putNone: "Every photo that has a caption has it on its page already.",
  find: "Find",
  replaceBy: "Replace it by",
  matchCase: "As written, capitals and all",
  wholeWords: "Whole words only",
  found: (n: number) => (n === 0 ? "Nothing found." : n === 1 ? "Found in 1 place." : `Found in ${n} places.`),
  foundNone: "Write what to look for: in titles, stories and captions of this project.",
  replaceOne: "Replace here",
  replaceAll: (n: number) => `Replace all ${n}`,
  replaced: (n: number) => (n === 1 ? "Replaced in 1 place." : `Replaced in ${n} places.`),
  photosApart: "Captions belong to the photos and are undone among them.",
  go: "Go there",
  inTile: (page: string) => `Page ${page}`,
  inPhoto: "Caption of a photo",
  inSpine: "Spine",
  inCover: "Cover",
  event: (name: string, from: string, to: string) => {
    const [a, b] = [formats.takenDay(from), formats.takenDay(to)];
    const days = a === b ? a : `${a} – ${b}`;
    return name ? `${name}, ${days}` : days;
  },
  names: "Names",
  dates: "Dates",
  namesLead: "Words that are written with a capital, and how often. Click one to see where.",
  noNames: "No names are written in this project yet.",
  noDates: "No dates are written in this project yet.",
  alike: "Written alike: one name or two?",
  alikeLead: "If two of these are one person or place, choose how it is written.",
  noAlike: "No two names are written alike.",
  times: (n: number) => (n === 1 ? "once" : n === 2 ? "twice" : `${n} times`),
  writeAs: (name: string) => `Write “${name}” everywhere`,
  looked: (name: string) => `Where “${name}” is written`,
};
