import { formats } from "./formats.ts";
/** Pacing, and the overview of a book. */
export const pace = {
  title: "Fill the book with photos",
  open: "Fill the book with photos …",
  fillWith: (n: number) => `Fill the book with ${n === 1 ? "1 photo" : `${formats.number(n)} photos`}`,
  openFromHere: "Fill again from here …",
  lead: "Photos go onto pages in the order they were taken. Events stay together, starred photos and faces get more room, of photos that are nearly the same the best one is taken. Pages you made yourself stay as they are.",
  whichPhotos: "Which photos",
  allPhotos: (n: number) => `all ${formats.number(n)}`,
  chosenPhotos: (n: number) => `the ${n} chosen`,
  from: "From",
  to: "To",
  pages: "Pages in the book",
  fitting: (n: number) => `as suits the photos: ${n}`,
  start: "Where",
  wholeBook: "the whole book",
  fromHere: (n: number) => `from page ${n} on`,
  sums: (photos: number, pages: number) =>
    photos === 0
      ? "No photos are left to go on pages. Choose another time, or let some pages be filled again."
      : `${formats.number(photos)} photos on ${pages} pages: about ${formats.number(photos / Math.max(1, pages), 1)} on each.`,
  undated: (n: number) =>
    n === 1
      ? "1 photo does not say when it was taken; its file’s date may be years off."
      : `${n} photos do not say when they were taken; their files’ dates may be years off.`,
  undatedLeave: "Leave on the shelf",
  undatedTake: "Take them by their files’ dates",
  doIt: "Fill it",
  working: "Filling the book",
  stopped: "Stopped. The book is as it was.",
  failed: "Filling stopped by itself. The book is as it was; try again.",
  done: (photos: number, pages: number) => `${formats.number(photos)} photos are on ${pages} pages now.`,
  chart: "Photos on each page of this book",
  chartLead: (photos: number, pages: number) =>
    `${formats.number(photos)} photos on ${pages} pages. The wider a page, the more photos; drag a break to move some over.`,
  chartSays: (photos: number, pages: number) => `${photos} photos on ${pages} pages`,
  bar: (n: number, photos: number, days: string) =>
    `Page ${n}: ${photos === 1 ? "1 photo" : `${photos} photos`}${days ? `, ${days}` : ""}`,
  pageBreak: (left: number, right: number) => `Break between pages ${left} and ${right}`,
  breakHelp: "Drag it, or use the arrow keys, to move photos from one page to the next.",
};
