import { formats } from "./formats.ts";
export const photos = {
  title: "Photos",
  count: (n: number) => (n === 1 ? "1 photo" : `${formats.number(n)} photos`),
  chosen: (n: number) => (n === 1 ? "1 chosen" : `${formats.number(n)} chosen`),
  chooseAll: "Choose all",
  chooseNone: "Choose none",
  sections: { photos: "Photos", papers: "Papers", ornaments: "Ornaments" },
  section: "Part of the library",
  papers: (n: number) => (n === 1 ? "1 paper" : `${formats.number(n)} papers`),
  ornaments: (n: number) => (n === 1 ? "1 ornament" : `${formats.number(n)} ornaments`),
  noMaterials: {
    papers: {
      title: "No papers yet",
      lead: "Patterned sheets that lie under the photos. Drop PNG, JPEG or SVG files here; a pattern prints sharp only if it is large enough, a drawing (SVG) always does.",
    },
    ornaments: {
      title: "No ornaments yet",
      lead: "Small things that lie over the photos: a sprig, a strip of tape, a corner. Drop PNG or SVG files here; what is see-through stays see-through.",
    },
  },
  addFiles: { photos: "Add photos", papers: "Add papers", ornaments: "Add ornaments" },
  addFolder: "Add a folder",
  sample: {
    photos: "Try the sample photos",
    papers: "Try the sample papers",
    ornaments: "Try the sample ornaments",
  },
  sampleLead: {
    photos: (n: number, title: string) => `${n} drawn photos: “${title}”.`,
    papers: (n: number) => `${n} patterns to look around with.`,
    ornaments: (n: number) => `${n} small drawings to look around with.`,
  },
  sampleMissing: "The sample photos are not drawn yet. They come with npm run demo.",
  guessed: (n: number) => (n === 1 ? "1 guessed date" : `${n} guessed dates`),
  guessedWhy:
    "Nothing in these files says when they were taken, so their date is the file’s own. Choose them, to set it.",
  dateGuessed: "date is a guess",
  arrange: (n: number) =>
    n === 0 ? "Put them on a page" : n === 1 ? "Put 1 photo on a page" : `Put ${formats.number(n)} photos on a page`,
  startCollage: "Start a collage",
  dropHere: "Drop them to bring them in",
  empty: "No photos yet",
  emptyLead:
    "Drop photos or a whole folder anywhere in this window. They are kept in this browser, byte for byte, and nothing is sent away.",
  bringing: (done: number, total: number) => `Bringing in ${formats.number(done)} of ${formats.number(total)}`,
  stop: "Stop bringing in",
  leftOut: (n: number) => (n === 1 ? "1 file was left out" : `${formats.number(n)} files were left out`),
  leftOutRest: "All the others are here.",
  alreadyHere: (n: number) => (n === 1 ? "1 file was here already." : `${formats.number(n)} files were here already.`),
  cleaned: (name: string, n: number) =>
    `${name}: ${n === 1 ? "1 part that could run or fetch something was" : `${n} parts that could run or fetch something were`} left out.`,
  damaged: (n: number) =>
    n === 1
      ? "One photo’s record could not be read. It is left as it is."
      : `${n} photos’ records could not be read. They are left as they are.`,
  dismiss: "Close this list",
  onPage: (page: number) => `On page ${page}`,
  waitingFor: "On its way in",
  label: (name: string, when: string, caption: string) => [caption, when, name].filter(Boolean).join(", "),
};

/** Why a file did not come in, after its name. */
export function leftOutReason(code: string): string {
  switch (code) {
    case "emptyFile":
      return "the file is empty";
    case "notAPicture":
      return "this is not a picture, whatever its name says";
    case "svgAmongPhotos":
      return "a drawing (SVG) is not a photo; bring it in with the papers or the ornaments";
    case "svgTooLarge":
      return "the drawing is larger than 8 MB";
    case "svgTooHeavy":
      return "the drawing has so many parts that it would stop this browser";
    case "tookTooLong":
      return "reading it took too long, and was ended; it may be damaged";
    case "svgDamaged":
      return "the drawing is damaged";
    case "tooManyPixels":
      return "it has more pixels than a browser can hold; save it as a JPEG and bring that in";
    case "notDone":
      return "it was still waiting when this tab was closed; bring it in again";
    case "notAZip":
    case "splitZip":
      return "the zip is damaged or only a part of one";
    case "tooManyEntries":
      return "the zip holds more than 20,000 files; unpack it and bring the folder in";
    case "entryTooLarge":
      return "inside the zip it would be larger than any photo";
    case "entryDamaged":
      return "it is damaged inside the zip";
    case "damagedPicture":
      return "the picture is damaged or cut off; try to copy it again from where it came";
    case "unreadableFile":
      return "the file could not be read; it may have been moved while it was opened";
    case "storageFull":
      return "there is no room left for it on this disk";
    case "storageRefused":
    case "storageLost":
      return "this browser would not keep it";
    case "workerDied":
      return "reading it took more than this browser has; try it by itself";
    default:
      return "it could not be read";
  }
}

export const filterWords = {
  search: "Search captions and names",
  searchShort: "Captions, names",
  filter: "Filter",
  filtered: "Filter is on",
  clear: "Show all again",
  order: "Order",
  orders: {
    oldest: "Oldest first",
    newest: "Newest first",
    name: "By name",
    stars: "Most stars first",
    largest: "Largest first",
  },
  place: "On pages",
  places: { anywhere: "All", unplaced: "On no page", placed: "On a page" },
  shape: "Shape",
  shapes: { any: "All", wide: "Wide", tall: "Tall", square: "Square" },
  stars: "At least so many stars",
  anyStars: "Any",
  small: "Too small for this page",
  smallHelp: (px: number) =>
    `Fewer than ${formats.number(px)} pixels along the longer side would print soft across this page.`,
  hiddenToo: "Hidden ones too",
  event: "Event",
  anyEvent: "All dates",
  from: "From",
  to: "To",
  shown: (n: number, of: number) => `${formats.number(n)} of ${formats.number(of)} photos`,
  none: "No photo passes this filter",
};

export const timelineWords = {
  label: "When the photos were taken",
  help: "Drag across to see only that time. Click a bar to go there.",
  week: (from: string) => `Week of ${from}`,
  bar: (when: string, n: number, placed: number) =>
    `${when}: ${n === 1 ? "1 photo" : `${n} photos`}${placed > 0 ? `, ${placed} on pages` : ""}`,
  placed: "on pages",
  unplaced: "on none",
  zoomIn: "Zoom in",
  zoomOut: "All dates",
};

export const eventWords = {
  name: "Name of this event",
  placeholder: "Name this event",
  pile: (n: number) => `${n} photos much alike, in a pile. Spread them out`,
  pileOpen: "Gather this pile again",
};

export const chosenWords = {
  label: "With the chosen photos",
  stars: (n: number) => (n === 0 ? "No stars" : n === 1 ? "1 star" : `${n} stars`),
  hide: "Hide",
  show: "Show again",
  time: "Correct the time",
  remove: "Remove",
  sheet: "All about it",
  none: "Choose none",
  make: (n: number) => (n === 1 ? "Make something with this one" : `Make something with these ${n}`),
  puttings: {
    here: (n: number) => (n === 1 ? "Put it on this page" : `Put these ${n} on this page`),
    new: (n: number) => (n === 1 ? "Put it on a new page" : `Put these ${n} on a new page`),
    add: () => "Add them to what is on this page",
    instead: () => "Replace what is on this page",
  },
  pageForEach: "On several pages …",
  otherPuttings: "Other ways to put them on pages",
  printAs: (n: number, size: string) => (n === 1 ? `Print it as ${size}` : `Print these ${n} as ${size}`),
};

export const timeWords = {
  title: (n: number) => (n === 1 ? "Correct the time of this photo" : `Correct the time of ${n} photos`),
  how: "What to do with the times",
  shiftAll: "Move all by the same",
  setAll: "Set all to one day",
  day: "Day",
  setCount: (n: number) =>
    n === 1 ? "This photo was taken on that day." : `All ${n} were taken on that day, in the order they have now.`,
  noDay: "Choose a day.",
  applySet: "Set the day",
  shift: "Move by",
  days: "Days",
  hours: "Hours",
  minutes: "Minutes",
  later: "Later",
  earlier: "Earlier",
  camera: "Only photos by",
  anyCamera: "Every camera",
  example: (name: string, before: string, after: string) => `${name}: ${before} becomes ${after}`,
  count: (n: number) => (n === 1 ? "1 photo is moved." : `${n} photos are moved.`),
  apply: "Move the times",
  set: "Taken",
  badTime: "Type a day and a time, like 2025-07-12 14:30.",
};

export const removeWords = {
  title: (what: string) => `Remove ${what}?`,
  onPages: (n: number) =>
    n === 1
      ? "One of them is on a page, where it would leave an empty place:"
      : `${n} of them are on pages, where they would leave empty places:`,
  lead: "The files on your disk stay where they are. For thirty days they can come back from “Removed”.",
  doIt: (n: number, what: string) => (n === 1 ? "Remove it" : `Remove ${what}`),
  removed: (what: string) => `Removed ${what}.`,
};

export const sheetWords = {
  title: "About this photo",
  taken: "Taken",
  sources: {
    you: "corrected by you",
    exif: "by the camera’s clock",
    xmp: "from the file’s notes (XMP)",
    name: "from the file’s name",
    file: "a guess, from the file’s own date",
  },
  backToFound: "Back to the time in the file",
  camera: "Camera",
  file: "File",
  pixels: "Pixels",
  bytes: "Size",
  pages: "On pages",
  noPages: "on none",
  page: (n: number) => `Page ${n}`,
  largest: "Largest sharp print",
  anySize: "any size: it is a drawing",
  atPpi: (size: string, ppi: number) => `${size} at ${ppi} ppi`,
  caption: "Caption",
  stars: "Stars",
  focus: "What must be seen",
  focusFrom: {
    faces: "Faces were found.",
    interest: "No face was found; this is where the eye goes.",
    you: "Set by you.",
  },
  focusPending: "Not looked at yet.",
  focusHelp: "Drag the point, or focus it and use the arrow keys. Draw a box around a face.",
  point: "Point of focus",
  face: (n: number) => `Face ${n}. Delete removes it`,
  addFace: "Add a face",
  lookAgain: "Look again",
  replace: "Replace its file",
  replaced: "The file was replaced on every page.",
  saveOriginal: "Save the original",
  pileTop: "Put on top of its pile",
  pileAlone: "Take out of its pile",
  pileBack: "Back into its pile",
  close: "Close",
};

/** So many of a section, in words. */
export const countOf = (section: "photos" | "papers" | "ornaments", n: number): string =>
  section === "photos" ? photos.count(n) : photos[section](n);

export function deedWords(deed: string, n: number, section: "photos" | "papers" | "ornaments"): string {
  const some = n === 1 && section === "photos" ? "a photo" : countOf(section, n);
  switch (deed) {
    case "retimed":
      return `Corrected the time of ${some}`;
    case "starred":
      return `Gave stars to ${some}`;
    case "hid":
      return `Hid ${some}`;
    case "showed":
      return `Showed ${some} again`;
    case "captioned":
      return n === 1 ? "Changed a caption" : `Changed ${formats.number(n)} captions`;
    case "focused":
      return "Changed what must be seen";
    case "piled":
      return "Changed a pile";
    case "removed":
      return `Removed ${some}`;
    case "named":
      return "Named an event";
    default:
      return "Changed a photo";
  }
}

export const timeLeft = (seconds: number): string =>
  seconds < 10
    ? "a few seconds left"
    : seconds < 90
      ? `about ${Math.round(seconds / 10) * 10} s left`
      : `about ${Math.round(seconds / 60)} min left`;

const bytes = (n: number): string =>
  n >= 1e9 ? `${formats.number(n / 1e9, 1)} GB` : `${Math.max(1, Math.round(n / 1e6))} MB`;

export const spaceWords = {
  used: (used: number) => `${bytes(used)} kept in this browser`,
};
