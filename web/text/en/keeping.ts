import { formats } from "./formats.ts";

/** Everything that is said of what is kept, lost and found again. Each sentence has to be true, and to calm. */

const worksAnd = (works: number, photos: number): string => {
  const w = works === 1 ? "1 project" : `${works} projects`;
  const p = photos === 1 ? "1 photo" : `${formats.number(photos)} photos`;
  return works === 0 ? p : photos === 0 ? w : `${w} and ${p}`;
};

/** "There was 1 project …", "There were 4 projects …": the verb goes with what comes first. */
const thereWere = (works: number, photos: number): string =>
  `${(works || photos) === 1 ? "was" : "were"} ${worksAnd(works, photos)}`;

export const keeping = {
  kept: (time: string) => `Kept in this browser, ${time}`,
  allKept: (time: string) => `Everything is kept in this browser; the last change at ${time}.`,
  keptIn: (folder: string, ago: string) => `Kept here, and in ${folder} ${ago}`,
  keptHere: "Kept in this browser",
  where: "Where your projects are kept",
  keeping: "Keeping …",
  failed: {
    storageFull: "Not kept: this disk is full. Free some space, then try again; nothing on screen is lost.",
    storageRefused:
      "Not kept: this browser refuses to keep data. Save your project as a file before you close this tab.",
    storageLost:
      "Not kept: the browser closed its storage. Try again, or save your project as a file before you close this tab.",
    storageHeld:
      "Not kept: another window of Tessip holds your projects and does not answer. Close it, then try again; nothing on screen is lost.",
    storageSilent:
      "Not kept: the browser’s storage does not answer. Save your project as a file before you close this tab.",
    newerVersion:
      "Not kept: a newer Tessip is open in another window. Save your project as a file, then load this page again.",
    workNewer: "Not kept: this project was written by a newer Tessip. Reload this page to get it.",
    recordDamaged: "Not kept: the record of this project is damaged. Save your project as a file.",
    workRemoved:
      "Not kept: this project was removed in another window. Bring it back there, or save it as a file from the menu at the top right.",
    alreadyHere: "Not kept: it is here already.",
  },
  notLasting:
    "This browser keeps nothing for Tessip, so everything here is gone when the tab closes. You can still work, and save your project and its pages to disk.",
  elsewhere: "This project is open in another tab. Here you can look, but not change it.",
  takeOver: "Work on it here instead",
  historyCut:
    "Some earlier steps cannot be read any more, so Undo goes no further back than here. The project itself is whole.",
  historyRenewed:
    "This project was last changed with an earlier Tessip. It is whole, but steps from then cannot be undone. With your first change a snapshot of it as it was is kept.",
  onlyLooking: "Nothing was changed: this project is open in another tab, and here you can only look at it.",
  cannotHere: "Only to look at: this project is open in another tab.",
  full: "This disk is full. What you change is still kept, in room that was saved for it. New photos and files have to wait until there is more room.",
  lost: "The browser took away what it keeps for Tessip, and nothing more can be kept. Save your project as a file now, then load this page again.",
  happened: {
    rebuilt: (works: number, photos: number) =>
      `The browser had lost part of what it keeps. It was made again from the second copy: ${worksAnd(works, photos)}.`,
    caughtUp: "Your last changes were taken from the second copy. Nothing is missing.",
    journalRemade:
      "The browser had lost its second copy of your projects. It was made again. Look through your photos: originals may be missing.",
    journalDamaged:
      "A part of what the browser keeps was damaged. What could be read is here; look through your projects. The damaged part was put aside and not deleted.",
    wiped: (works: number, photos: number) =>
      `The browser threw away what it kept for Tessip. ${worksAnd(works, photos)} were kept again from memory, but the originals of the photos are gone from this browser. Bring them in again from your disk or a safe folder.`,
  },
};

/** In place of everything else, when what is kept cannot be opened. */
export const cannotOpen = {
  titles: {
    storageFull: "This disk is full",
    storageHeld: "Another window has your projects open",
    newerVersion: "A newer Tessip has been here",
    other: "Your projects cannot be read just now",
  },
  bodies: {
    storageFull:
      "Tessip does not open your photos and projects yet, because a browser on a full disk may throw away what it keeps. Empty the bin, or move something large to another disk. Then try again.",
    storageHeld:
      "That window does not answer, and two at once could spoil each other’s work. Close all other windows and tabs of Tessip. Then try again.",
    newerVersion:
      "What is kept here was written by a newer version. Load this page again while you are online to get it. Nothing was changed.",
    other:
      "The browser does not hand out what it keeps for Tessip. Nothing was deleted. Close all windows of the browser, start it again, and come back here.",
  },
  wasHere: (works: number, photos: number, day: string) => `On ${day} there ${thereWere(works, photos)} here.`,
};

/** At the start, where there was something once and now there is nothing. */
export const lostAll = {
  title: (works: number, photos: number) => `There ${thereWere(works, photos)} here`,
  body: (day: string) =>
    `That was on ${day}. They are gone from this browser: its data was cleared, or it threw them away on a full disk. Whatever lies elsewhere is untouched.`,
  hope: "If you have a safe folder, or a project that was saved as a file, everything in it can come back now.",
  afresh: "Start afresh",
};

export const removedWords = {
  title: "Removed",
  open: (n: number) => `Removed (${n})`,
  lead: (days: number) => `What you remove stays here for ${days} days and can come back as it was.`,
  nothing: "Nothing was removed.",
  works: "Projects",
  photos: "Photos, papers and ornaments",
  workFacts: (pages: number, day: string) => `${pages === 1 ? "1 page" : `${pages} pages`}, removed on ${day}`,
  photoFacts: (day: string) => `removed on ${day}`,
  bringBack: (name: string) => `Bring back ${name}`,
  bringBackShort: "Bring back",
  back: (name: string) => `${name} is back.`,
  bringAllBack: "Bring all photos back",
  forget: (name: string) => `Delete ${name} for good`,
  forgetShort: "Delete for good",
  empty: "Delete all of it for good",
  sure: "They cannot come back then.",
};

/** In place of a work that does not open. */
export const workFault = {
  missing: "There is no project at this address",
  missingBody: "It may have been made in another browser, or deleted for good.",
  removed: "This project was removed",
  removedBody: "It is still here for a while. You can bring it back as it was.",
  damaged: "The record of this project is damaged",
  newer: "This project was written by a newer Tessip",
  newerBody: "It is whole, but this window still runs an older one. Load the page again to get the newer.",
  damagedBody: "Nothing was deleted. What can still be read of it can be kept as a new project.",
  salvage: (pages: number, lost: number) =>
    lost === 0
      ? `Keep its ${pages === 1 ? "one page" : `${pages} pages`} as a new project`
      : `Keep the ${pages === 1 ? "one page" : `${pages} pages`} that can be read; ${lost} cannot`,
  salvaged: (name: string) => `${name}, saved`,
  nothingLeft: "None of its pages can be read any more.",
  unread: "This project cannot be read just now",
  unreadBody: "Nothing was deleted. Try again; if it goes on, close all windows of the browser and start it again.",
};

/** The safe folder, and everything as one file. */
export const safeFolder = {
  title: "Where your projects are kept",
  here: "In this browser",
  hereLead: (works: number, photos: number) =>
    `${worksAnd(works, photos)}. What you make is written down twice, so that one copy can mend the other.`,
  hereNothing: "Nothing yet. Everything that you bring in and make is kept here by itself.",
  promised: "The browser promised not to throw it away.",
  notPromised: "The browser may throw it away when the disk is full, and clearing its data takes it. A folder stays.",
  folder: "In a safe folder on this computer",
  folderLead:
    "Choose a folder once, and everything is kept in it too: projects with their history, and each photo as it came. It opens on another computer, and can lie where another program carries it along.",
  noFolders: "This browser cannot write into folders. Save everything as a file instead, now and then.",
  choose: "Choose a folder",
  other: "Another folder",
  again: "Keep it in step now",
  stop: "Stop using it",
  allow: (name: string) => `Go on keeping it in ${name}`,
  state: {
    none: "",
    waiting: "Something new is about to be written.",
    working: (share: number) => `Writing, ${Math.round(share * 100)} %`,
    kept: (ago: string) => `All of it was written and read back ${ago}.`,
  },
  trouble: {
    folderGone:
      "The folder is not there at the moment. Is its disk connected? What you do is kept in this browser meanwhile.",
    folderFull: "The disk of the folder is full. What you do is kept in this browser; make room there, then try again.",
    folderShut: "The browser asks once more whether it may write there.",
    folderFailed: "Writing there did not work. What you do is kept in this browser meanwhile.",
    folderNewer: "That folder was written by a newer Tessip. Load this page again while you are online.",
    notASafeFolder: "That is not a safe folder. Nothing was changed.",
  } as Record<string, string>,
  waiting: (names: readonly string[]) =>
    `${names.map((n) => `“${n}”`).join(", ")} ${names.length === 1 ? "was" : "were"} changed on another computer. Close ${names.length === 1 ? "it" : "them"} here to get what is new. If you change ${names.length === 1 ? "it" : "them"} here as well, both are kept.`,
  missing: (names: readonly string[]) =>
    `The originals of these photos are neither here nor there: ${names.slice(0, 4).join(", ")}${names.length > 4 ? " …" : ""}.`,
  file: "As one file",
  fileLead: "Projects, history and photos in one zip, to put on another disk.",
  saveAll: "Save everything",
  saveNew: (n: number) =>
    n === 0 ? "Save what is new" : `Save what is new, with ${n === 1 ? "1 photo" : `${n} photos`}`,
  savedLast: (day: string) => `Last saved on ${day}.`,
  saving: "Putting the file together …",
  saved: (name: string, mb: string, works: number, photos: number) =>
    `${name}, ${mb} MB, goes to your downloads. It holds ${worksAnd(works, photos)}.`,
  name: (day: string) => `Tessip everything ${day}.zip`,
  nameNew: (day: string) => `Tessip new since then ${day}.zip`,
  back: "Bring back",
  backLead: "Adds what is in it to what is here. Nothing here is replaced by something older.",
  fromFolder: "From a safe folder",
  fromFile: "From a saved file",
  bringing: "Reading …",
  brought: (works: number, photos: number) =>
    works + photos === 0 ? "Everything in it is here already." : `${worksAnd(works, photos)} came in.`,
  copies: (names: readonly string[]) =>
    `Changed here and on another computer: both are kept now, as ${names.map((n) => `“${n}”`).join(", ")} and beside it.`,
  remind: (works: number, photos: number) => `${worksAnd(works, photos)} lie in this browser only`,
  remindLead: "One folder, chosen once, keeps all of it safe beside this browser.",
  remindFile: "A file of it on another disk keeps it safe, whatever becomes of this browser.",
  later: "Not now",
  inFiles: {
    aboutFolder:
      "Projects and photos kept by Tessip. Leave everything in here as it is; SAFE-FOLDER.md of Tessip describes it.",
    aboutWork: "A project made with Tessip. Its photos lie in the folder originals. This file is for reading only.",
    otherCopy: ["", " (from the other computer)"] as readonly [before: string, behind: string],
  },
};

/** Minutes matter, seconds do not. */
export function ago(at: string, nowMs: number): string {
  const minutes = Math.floor((nowMs - Date.parse(at)) / 60_000);
  if (minutes < 1) return "just now";
  if (minutes < 60) return minutes === 1 ? "1 minute ago" : `${minutes} minutes ago`;
  const hours = Math.floor(minutes / 60);
  if (hours < 24) return hours === 1 ? "1 hour ago" : `${hours} hours ago`;
  const days = Math.floor(hours / 24);
  return days === 1 ? "yesterday" : `${days} days ago`;
}
