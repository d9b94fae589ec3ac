export const send = {
  title: "Send",
  lead: "One file, exactly as the lab wants it.",
  file: "File",
  pixels: "Pixels",
  density: "Density",
  colour: "Colour",
  colourValue: "sRGB profile inside",
  trim: "After cutting",
  bleed: "Cut away on each side",
  noBleed: "nothing",
  which: "Which pages",
  allPages: (n: number) => `All ${n} files`,
  thisPage: "Only this one",
  somePages: "Some pages",
  whichSome: "Pages, as 1-4, 8",
  noneOfThose: "There is no such page. Type numbers, or from and to: 1-4, 8.",
  pageOf: (n: number, of: number) => `Page ${n} of ${of}`,
  pageBefore: "The page before",
  pageAfter: "The page after",
  save: (n: number) => (n === 1 ? "Save the JPEG to disk" : `Save ${n} JPEGs to disk`),
  saveAgain: "Save it once more",
  making: "Making the file",
  makingShare: (percent: number) => `${percent} % done`,
  cancelled: "Stopped. Nothing was saved.",
  saved: "Saved",
  savedLead: (names: readonly string[]) =>
    names.length === 1
      ? `${names[0]} is among your downloads.`
      : `${names.length} files, from ${names[0]} to ${names.at(-1)}, are among your downloads.`,
  savedFacts: (w: number, h: number, ppi: number, mb: string) =>
    `Read back and right: ${w.toLocaleString("en")} × ${h.toLocaleString("en")} pixels, ${ppi} ppi, sRGB, ${mb} MB.`,
  whole: "As the lab gets it",
  cut: "As you get it back",
  veil: "The veiled edge is cut away.",
  view: "What to show",
  wrong: (n: number) => (n === 1 ? "1 thing goes wrong on paper." : `${n} things go wrong on paper.`),
  doubts: (n: number) => (n === 1 ? "1 thing is worth a look." : `${n} things are worth a look.`),
  toCheck: "Look at them",
  nothing: "Nothing to send yet",
  nothingLead: "Put photos on the page first. Then the file for the lab is made here.",
  toPages: "To the page",
  allGood: "Everything was looked at, and nothing goes wrong on paper.",
};

export function printTrouble(code: string, detail: string): string {
  switch (code) {
    case "photoUnreadable":
      return `A photo could not be read: ${detail}. Nothing was saved; put another in its place and try again.`;
    case "tooLargeHere":
      return `This browser cannot hold a picture of ${detail} pixels. Nothing was saved; close other tabs and try again, or choose fewer ppi.`;
    case "workerDied":
      return "The browser ran out of memory while making the file. Nothing was saved, and your page is kept; close other tabs and try again.";
    case "fileWrong":
      return "The file came out different from what the lab wants, so it was not saved. Try again.";
    default:
      return "The file could not be made. Nothing was saved, and your page is kept. Try again.";
  }
}
