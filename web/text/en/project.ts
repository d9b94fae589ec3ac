import type { Loss } from "#core/document";

/** What is done with a work as a whole: its file, its snapshots, its size, other projects. */
export const work = {
  menu: "More about this project",
  saveFile: "Save it as one file",
  saveTitle: "Save it as one file",
  saveLead: "The photos go in as they came, with the places and cameras that are written in them.",
  saveNoPlaces: "Leave out where photos were taken",
  saveDo: "Save the file",
  openFile: "Open a project file",
  openFileHelp: "A project that was saved as one file, here or in another browser.",
  allSteps: "All steps …",
  stepsTitle: "All steps of this project",
  stepsLead:
    "Click a step to go back or forward to where it was done. Nothing is lost until you change something there.",
  stepsNone: "Nothing was done yet.",
  stepsStart: "As it was before all of these",
  stepUndone: "undone",
  stepNoPage: "This step changed no page.",
  stepNotThere: "The page was not there.",
  steps: { before: "Before this step", after: "After it" },
  snapshot: "Snapshots …",
  duplicate: "Duplicate it",
  beginLike: "Begin another like it, without photos",
  combine: "Add pages from another project …",
  anotherSize: "Another lab or size …",
  finished: "Bring in finished pages …",
  read: "Read through",
  words: "All words and captions",
  proof: "Make a proof for others …",
  paper: "Print to read on paper …",
  match: "Match facing page",
  moveTo: "Move to page …",
  moveToPage: (n: number) => `Page ${n}`,
  copyName: (name: string) => `${name}, a copy`,
  likeName: (name: string) => `${name}, anew`,
  writing: "Writing the file",
  reading: "Reading the file",
  saved: (name: string, mb: string) =>
    `${name}, ${mb} MB, is among your downloads. It holds everything that this project needs.`,
  savedWithout: (names: readonly string[]) =>
    `The file is saved, but the originals of these photos are missing in this browser: ${names.slice(0, 5).join(", ")}${names.length > 5 ? " …" : ""}`,
  opened: (name: string) => `“${name}” is among your projects now.`,
  openedWithout: (names: readonly string[]) =>
    names.length === 1
      ? `${names[0]} was not in the file. Its place is kept; put another photo there.`
      : `${names.length} photos were not in the file: ${names.slice(0, 5).join(", ")}${names.length > 5 ? " …" : ""}. Their places are kept.`,
  stopped: "Stopped. Nothing was changed.",
  trouble: {
    notAProjectFile: "That is not a project file. Nothing was changed.",
    newerVersion: "That file was made by a newer Tessip. Load this page again while you are online, then open it.",
    damagedProject: "What is in that file cannot be read as a project. Nothing was changed.",
    fileCutOff:
      "That file ends in the middle; it was not copied or downloaded whole. Get it once more. Nothing was changed.",
    originalMissing: "An original is missing.",
  } as Record<string, string>,
  failed: "That did not work. Nothing was changed.",
  snapshotsTitle: "Snapshots of this project",
  snapshotsLead: "Keep the project as it is now under a name, and go back to it at any time. Going back can be undone.",
  snapshotName: "Name",
  snapshotKeep: "Keep it as it is now",
  snapshotFirst: (n: number) => `Snapshot ${n}`,
  /** Of one that was kept when the form of works changed. */
  snapshotRenewed: "Before Tessip was updated",
  snapshotBack: (name: string) => `Go back to ${name}`,
  snapshotBackShort: "Go back",
  snapshotDrop: (name: string) => `Remove ${name}`,
  snapshotWent: (name: string) => `The project is as it was in “${name}”.`,
  snapshotNone: "No snapshots yet.",
  combineTitle: "Add pages from another project",
  combineLead:
    "Its pages come after the last one here, arranged again for this size. The other project stays as it is.",
  combineDo: "Add the pages",
  combineNone: "There is no other project in this browser.",
  combineUnread: "That project could not be read, so nothing was added.",
  combined: (n: number) => (n === 1 ? "1 page came in." : `${n} pages came in.`),
  which: "Which project",
  sizeTitle: "Another lab or size",
  sizeLead: "Every page comes along. What cannot be kept is listed afterwards; one undo brings all of it back.",
  sizeHow: "What happens to the pages",
  sizeAnew: "Arranged for the new size",
  sizeLarger: "Only a larger sheet, all stays where it is",
  sizeNotLarger: "The new sheet is smaller in one direction, so everything has to be arranged for it.",
  sizeSame: "This is the size that the project has.",
  sizeMore: "Take the larger sheet",
  sizeDoneLarger: "Every page lies on a larger sheet now.",
  sizeLab: "Lab",
  sizeSize: "Size",
  sizeDo: "Fit all pages to the new size",
  sizeDone: "All pages fit the new size.",
  lossesTitle: "What could not be kept",
  finishedTitle: "Bring in finished pages",
  finishedLead:
    "Pages that were made elsewhere, as pictures or as a PDF. Each fills a whole page here and reaches over the bleed.",
  finishedCoverLead:
    "A part of the cover that was made elsewhere, as a picture or a PDF. It covers the whole part and reaches over the edge that is wrapped or cut.",
  finishedPart: "Which part of the cover",
  finishedWholeCover: "All of it, in one piece",
  finishedEdges: (name: string, sides: string, ends: string) =>
    `${name} does not have the shape of this part: ${sides} is cut off at the fold and at the opposite edge, ${ends} at the top and at the bottom.`,
  finishedChoose: "Choose files",
  finishedChooseOne: "Choose a file",
  finishedReading: (name: string) => `Reading ${name}`,
  finishedAsked: "They are not in yet: at the page you are asked where they may go.",
  finishedDone: (n: number) => (n === 1 ? "1 finished page came in." : `${n} finished pages came in.`),
  finishedLeftOver: (n: number) =>
    n === 1 ? "Remove the blank page left over" : `Remove the ${n} blank pages left over`,
  finishedShape: (name: string, has: string, wants: string) =>
    `${name} is ${has}; this page with its bleed is ${wants}. What reaches beyond is cut off.`,
  finishedSoft: (name: string, ppi: number, least: number) =>
    `${name} has ${ppi} ppi at this size; the lab wants ${least} at least. It will look soft.`,
  finishedBad: (name: string) => `${name} could not be read, and was left out.`,
  remarksTitle: "Worth a look",
};

export function lossWords(loss: Loss): string {
  switch (loss.code) {
    case "seams":
      return `Page ${loss.page}: lines that you had moved were set again.`;
    case "locks":
      return `Page ${loss.page}: locked tiles had to move.`;
    case "gap":
      return `Page ${loss.page}: the gap is smaller, so that every tile has room.`;
    case "margin":
      return `Page ${loss.page}: the margin had no room, and is gone.`;
    case "spreadParted":
      return `Page ${loss.page}: a spread lay across two leaves there, and is two pages now.`;
    case "pageCount":
      return `This lab binds no book of ${loss.count} pages.`;
    case "cover":
      return "The cover was moved along; look at it once.";
  }
}

/** Reading through. */
export const reading = {
  title: "Read through",
  close: "Back to the project",
  next: "Turn the page",
  back: "Turn back",
  at: (from: number, to: number, of: number) =>
    from === to ? `Page ${from} of ${of}` : `Pages ${from} and ${to} of ${of}`,
  cover: "The cover",
  note: "Pin a note",
  noteHelp: "Click where the note belongs.",
};
