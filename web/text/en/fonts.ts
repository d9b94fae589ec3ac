import type { OwnFace } from "#core/words";

const list = (names: readonly string[]): string =>
  `${names.slice(0, 5).join(", ")}${names.length > 5 ? " and others" : ""}`;

/** Fonts of a person's own. */
export const fonts = {
  own: "Your fonts",
  ownKind: "yours",
  open: "Your own fonts …",
  lead: "Font files that you have (TTF, OTF, WOFF, WOFF2) are kept in this browser, and go along in project files.",
  bring: "Bring in font files",
  busy: "Reading …",
  none: "None yet.",
  brought: (names: readonly string[]) =>
    names.length === 1 ? `${names[0]} is here now.` : `${names.length} fonts are here now: ${list(names)}.`,
  faces: (faces: readonly Pick<OwnFace, "bold" | "italic">[]) => {
    const names = faces.map(({ bold, italic }) =>
      bold ? (italic ? "bold italic" : "bold") : italic ? "italic" : "regular",
    );
    const all = names.join(", ");
    return `${all.slice(0, 1).toUpperCase()}${all.slice(1)}.`;
  },
  never:
    "Its maker keeps it out of files. A PDF shows its letters as shapes; on another computer it has to be brought in again.",
  notHere: "Its file is not here. Another font stands in for it until you bring it in again.",
  choose: "Use",
  toUse: (name: string) => `Use ${name}`,
  takeOff: "Take off the list",
  takeItOff: (name: string) => `Take ${name} off the list`,
  offerAgain: "Put back on the list",
  offerItAgain: (name: string) => `Put ${name} back on the list`,
  offList: "Off the list. Words that are set in it stay as they are.",
  computer: "Fonts of this computer",
  computerLead: "The browser asks you first. A font that you bring in from here is kept like a file of your own.",
  asking: "Asking the browser …",
  search: "Find a font",
  bringIt: (name: string) => `Bring in ${name}`,
  bringShort: "Bring in",
  refused: "The browser did not hand over its list of fonts. Allow it beside the address, or bring in font files.",
  noneOnComputer: "No font of this computer goes by that name.",
  moreOnComputer: (n: number) => `${n} more. Type a part of the name.`,
  leftOut: (name: string, code: string) => `${name} did not come in. ${trouble[code] ?? trouble.storageRefused}`,
  savedWithout: (names: readonly string[]) =>
    `These fonts are not in the file: ${list(names)}. Where it is opened, another font stands in until they are brought in there.`,
  openedWithout: (names: readonly string[]) =>
    `These fonts did not come along: ${list(names)}. Another stands in. Bring them in under “Your own fonts” where a font is chosen.`,
  close: "Close",
};

const trouble: Record<string, string> = {
  fontTooLarge: "It is larger than 30 MB.",
  notAFont: "It is not a TTF, OTF, WOFF or WOFF2 font.",
  damagedFont: "The file is damaged, or has no letters that can be drawn.",
  storageFull: "There is no room left on the disk.",
  storageRefused: "It could not be kept in this browser.",
};
