/** Pages of pockets. */
export const pockets = {
  binder: "Binder",
  pattern: "Pockets",
  patternHelp: "The front and the back of a leaf show the same pockets, mirrored.",
  lead: "Pages of clear pockets for photos and cards. You print what goes into them, cut it and slip it in.",
  count: (n: number) => (n === 1 ? "1 pocket" : `${n} pockets`),
  title: "Pockets of this leaf",
  front: "This is the front of its leaf.",
  back: "This is the back: the same pockets, mirrored.",
  less: "Card smaller than its pocket by",
  bleed: "Bleed around each card",
  filledOn: (photos: number, pages: number, sheets: number) =>
    `${photos === 1 ? "1 photo is" : `${photos} photos are`} in pockets on ${pages === 1 ? "1 page" : `${pages} pages`} now.${
      sheets === 0 ? "" : sheets === 1 ? " One new sheet was added." : ` ${sheets} new sheets were added.`
    }`,
  left: (n: number) =>
    n === 1
      ? "1 photo found no empty pocket and stays on the shelf."
      : `${n} photos found no empty pocket and stay on the shelf.`,
  through: "One photo through all of these",
  drawOwn: "Draw pockets of my own",
  drawLead: "Split and drag the places as you like, then keep them as pockets.",
  keepDrawn: "Keep these as pockets",
  typeOwn: "Pockets by numbers …",
  typeTitle: "Pockets by numbers",
  typeDo: "Make these pockets",
  name: "Name",
  ownName: "My own pockets",
  columns: "Side by side",
  rows: "One above the other",
  width: "Pocket width",
  height: "Pocket height",
  apart: "Gap between them",
  fromLeft: "From the binder’s edge",
  fromTop: "From the top",
  trouble: {
    noPockets: "Each pocket has to be larger than 5 mm, and there has to be one at least.",
    tooManyPockets: "A page has 60 pockets at most.",
    pageTooLarge: "That page would be longer than a metre.",
  },
  addLeaf: "Another leaf, front and back",
  output: "What is printed",
  outputs: { inserts: "each card", pages: "whole pages" },
  welds: "Show the pockets too",
  own: "My own",
};
