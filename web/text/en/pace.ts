import { formats } from "./formats.ts";
/** Pacing, and the overview of a book. */
export const pace = {
  title: "Pace the book",
  open: "Pace the book …",
  openFromHere: "Pace again from here …",
  lead: "Photos go onto pages in the order they were taken. Events stay together, starred photos and faces get more room, near-duplicates give their best one. Pages you made by hand stay.",
  whichPhotos: "Which photos",
  allPhotos: (n: number) => `all ${formats.number(n)}`,
  chosenPhotos: (n: number) => `the ${n} chosen`,
  from: "From",
  to: "To",
  pages: "Pages in the book",
  fitting: (n: number) => `as the photos want: ${n}`,
  start: "Where",
  wholeBook: "the whole book",
  fromHere: (n: number) => `from page ${n} on`,
  sums: (photos: number, pages: number) =>
    photos === 0
      ? "No photos are left to be shared out. Take another time, or free some pages."
      : `${formats.number(photos)} photos on ${pages} pages: about ${formats.number(photos / Math.max(1, pages), 1)} on each.`,
  undated: (n: number) =>
    n === 1
      ? "1 photo does not say when it was taken; its file’s date may be years off."
      : `${n} photos do not say when they were taken; their files’ dates may be years off.`,
  undatedLeave: "Leave on the shelf",
  undatedTake: "Take them by their files’ dates",
  doIt: "Pace it",
  working: "Pacing",
  stopped: "Stopped. The book is as it was.",
  failed: "Pacing stopped by itself. The book is as it was; try again.",
  done: (photos: number, pages: number) => `${formats.number(photos)} photos are on ${pages} pages now.`,
  chart: "The pace of this book",
  chartLead: (photos: number, pages: number) =>
    `${formats.number(photos)} photos on ${pages} pages. The wider a page, the more photos; drag a break to move some over.`,
  chartSays: (photos: number, pages: number) => `${photos} photos on ${pages} pages`,
  bar: (n: number, photos: number, days: string) =>
    `Page ${n}: ${photos === 1 ? "1 photo" : `${photos} photos`}${days ? `, ${days}` : ""}`,
  pageBreak: (left: number, right: number) => `Break between pages ${left} and ${right}`,
  breakHelp: "Drag it, or use the arrow keys, to move photos from one page to the next.",
};
