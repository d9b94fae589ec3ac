export const common = {
  name: "Tessip",
  cancel: "Cancel",
  close: "Close",
  undoIt: "Undo",
  done: "Done",
  stop: "Stop",
  tryAgain: "Try again",
  bringBack: "Bring it back",
};

/** What a tab of the browser is called. */
export const tabTitle = (place: string, project: string | undefined): string => {
  const name = placeNames[place];
  return [...(name ? [name] : []), ...(project ? [project] : []), common.name].join(" – ");
};

const placeNames: Readonly<Record<string, string>> = {
  photos: "Photos",
  labs: "Labs",
  pages: "Pages",
  prints: "Prints",
  overview: "Overview",
  read: "Read through",
  check: "Check",
  orders: "Orders",
  sheets: "Print sheets",
  send: "Send",
  words: "Words",
};

export const walk = {
  label: "Steps of the project",
  start: "To all your projects",
  photos: "Photos",
  pages: "Pages",
  prints: "Prints",
  check: "Check",
  checking: "looking …",
  toFix: (wrong: number, doubts: number) =>
    wrong > 0 ? `${wrong} to fix` : doubts > 0 ? `${doubts} worth a look` : "nothing to fix",
  send: "Send",
  sheets: "Print sheets",
  sheetState: {
    none: "none yet",
    notPacked: "to pack",
    count: (n: number) => (n === 1 ? "1 sheet" : `${n} sheets`),
  },
  photoCount: (n: number) => (n === 0 ? "none yet" : String(n)),
  tileState: (pages: number, tiles: number, empty: number) => {
    const all = empty === 0 ? (tiles === 1 ? "1 tile" : `${tiles} tiles`) : `${empty} empty`;
    if (tiles === 0) return "nothing on it yet";
    return pages === 1 ? all : `${pages} pages, ${all}`;
  },
  sent: { disk: "saved to disk", lab: "sent to the lab", not: "not saved yet" },
  projectName: "Name of this project",
  shortcuts: "Keyboard shortcuts",
};

export const history = {
  undo: (step: string | undefined) => (step ? `Undo: ${step}` : "Nothing to undo"),
  redo: (step: string | undefined) => (step ? `Redo: ${step}` : "Nothing to redo"),
};

export const fault = {
  title: "Something went wrong on this screen",
  body: "Your photos and your projects are kept. Go back and try again; if it happens again, reload the page.",
  back: "Back to the start",
  notHere: "There is nothing at this address",
  notHereBody: "The address may have been mistyped.",
};
