/** Everything that is said of what is kept, lost and found again. Each sentence has to be true, and to calm. */

const worksAnd = (works: number, photos: number): string => {
  const w = works === 1 ? "1 work" : `${works} works`;
  const p = photos === 1 ? "1 photo" : `${photos.toLocaleString("en")} photos`;
  return works === 0 ? p : photos === 0 ? w : `${w} and ${p}`;
};

export const keeping = {
  kept: (time: string) => `Kept in this browser, ${time}`,
  keeping: "Keeping …",
  failed: {
    storageFull: "Not kept: this disk is full. Free some space, then try again; nothing on screen is lost.",
    storageRefused: "Not kept: this browser refuses to keep data. Save your work as a file before you close this tab.",
    storageLost:
      "Not kept: the browser closed its storage. Try again, or save your work as a file before you close this tab.",
    storageHeld:
      "Not kept: another window of Tessip holds your work and does not answer. Close it, then try again; nothing on screen is lost.",
    newerVersion:
      "Not kept: a newer Tessip is open in another window. Save your work as a file, then load this page again.",
    recordDamaged: "Not kept: the record of this work is damaged. Save your work as a file.",
    workRemoved:
      "Not kept: this work was removed in another window. Bring it back there, or save it as a file from the menu at the top right.",
    alreadyHere: "Not kept: it is here already.",
  },
  notLasting:
    "This browser keeps nothing for Tessip, so everything here is gone when the tab closes. You can still work, and save your work and its pages to disk.",
  blocked: "Tessip is open in another tab in an older version. Close that tab, and this one goes on by itself.",
  elsewhere: "This work is open in another tab. Here you can look, but not change it.",
  takeOver: "Work on it here instead",
  onlyLooking: "Nothing was changed: this work is open in another tab, and here you can only look at it.",
  cannotHere: "Not here: this work is open in another tab",
  full: "This disk is full. What you change is still kept, in room that was saved for it. New photos and files have to wait until there is more room.",
  lost: "The browser took away what it keeps for Tessip, and nothing more can be kept. Save your work as a file now, then load this page again.",
  leave: "Something is not kept yet.",
  happened: {
    rebuilt: (works: number, photos: number) =>
      `The browser had lost part of what it keeps. It was made again from the second copy: ${worksAnd(works, photos)}.`,
    caughtUp: "Your last changes were taken from the second copy. Nothing is missing.",
    journalRemade:
      "The browser had lost its second copy of your works. It was made again. Look through your photos: originals may be missing.",
    journalDamaged:
      "A part of what the browser keeps was damaged. What could be read is here; look through your works. The damaged part was put aside and not deleted.",
    wiped: (works: number, photos: number) =>
      `The browser threw away what it kept for Tessip. ${worksAnd(works, photos)} were kept again from memory, but the originals of the photos are gone from this browser. Bring them in again from your disk or a safe folder.`,
  },
};

/** In place of everything else, when what is kept cannot be opened. */
export const cannotOpen = {
  titles: {
    storageFull: "This disk is full",
    storageHeld: "Another window has your work open",
    newerVersion: "A newer Tessip has been here",
    other: "Your work cannot be read just now",
  },
  bodies: {
    storageFull:
      "Your photos and works are still there. Tessip does not open them yet, because a browser on a full disk may throw them away to make room. Empty the bin, or move something large to another disk. Then try again.",
    storageHeld:
      "That window does not answer, and two at once could spoil each other’s work. Close all other windows and tabs of Tessip. Then try again.",
    newerVersion:
      "What is kept here was written by a newer version. Load this page again while you are online to get it. Nothing was changed.",
    other:
      "The browser does not hand out what it keeps for Tessip. Nothing was deleted. Close all windows of the browser, start it again, and come back here.",
  },
  wasHere: (works: number, photos: number, day: string) => `On ${day} there were ${worksAnd(works, photos)} here.`,
};

/** At the start, where there was something once and now there is nothing. */
export const lostAll = {
  title: (works: number, photos: number) => `There were ${worksAnd(works, photos)} here`,
  body: (day: string) =>
    `That was on ${day}. They are gone from this browser: its data was cleared, or it threw them away on a full disk. Whatever lies elsewhere is untouched.`,
  hope: "If you have a safe folder, or a work that was saved as a file, everything in it can come back now.",
  afresh: "Start afresh",
};

export const removedWords = {
  title: "Removed",
  open: (n: number) => `Removed (${n})`,
  lead: (days: number) => `What you remove stays here for ${days} days and can come back as it was.`,
  nothing: "Nothing was removed.",
  works: "Works",
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
  missing: "There is no work at this address",
  missingBody: "It may have been made in another browser, or deleted for good.",
  removed: "This work was removed",
  removedBody: "It is still here for a while. You can bring it back as it was.",
  damaged: "The record of this work is damaged",
  damagedBody: "Nothing was deleted. What can still be read of it can be kept as a new work.",
  salvage: (pages: number, lost: number) =>
    lost === 0
      ? `Keep its ${pages === 1 ? "one page" : `${pages} pages`} as a new work`
      : `Keep the ${pages === 1 ? "one page" : `${pages} pages`} that can be read; ${lost} cannot`,
  salvaged: (name: string) => `${name}, saved`,
  nothingLeft: "None of its pages can be read any more.",
  unread: "This work cannot be read just now",
  unreadBody: "Nothing was deleted. Try again; if it goes on, close all windows of the browser and start it again.",
};
