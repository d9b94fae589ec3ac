/**
 * What is on screen now. The bindings change with `speak`, so they are read when something is shown, never kept from before. A subject's
 * words are fetched with the screens that show them.
 */

export { balance } from "./now/balance.ts";
export { book } from "./now/book.ts";
export { check, findingDetail, findingTitle, findingWhy, fixWords } from "./now/check.ts";
export { drawings } from "./now/drawings.ts";
export { dress } from "./now/dress.ts";
export { example } from "./now/example.ts";
export { fonts } from "./now/fonts.ts";
export { formats, language } from "./now/formats.ts";
export { free } from "./now/free.ts";
export { goingWith } from "./now/going-with.ts";
export { ago, cannotOpen, keeping, lostAll, removedWords, safeFolder, workFault } from "./now/keeping.ts";
export { keys } from "./now/keys.ts";
export { cardTrouble, labs } from "./now/labs.ts";
export { letters } from "./now/letters.ts";
export { notes } from "./now/notes.ts";
export { onPaper } from "./now/on-paper.ts";
export { orderWords, reasonWords } from "./now/orders.ts";
export { ornaments } from "./now/ornaments.ts";
export { pace } from "./now/pace.ts";
export {
  arranged,
  changeTrouble,
  pageMenu,
  pages,
  photoMenu,
  run,
  shelf,
  templates,
  tileMenu,
  zoom,
} from "./now/pages.ts";
export { panel, pieces, sharpnessWords } from "./now/panel.ts";
export { papers } from "./now/papers.ts";
export {
  chosenWords,
  countOf,
  deedWords,
  eventWords,
  filterWords,
  leftOutReason,
  photos,
  removeWords,
  sheetWords,
  spaceWords,
  timeLeft,
  timelineWords,
  timeWords,
} from "./now/photos.ts";
export { pockets } from "./now/pockets.ts";
export { prints } from "./now/prints.ts";
export { lossWords, reading, work } from "./now/project.ts";
export { proof } from "./now/proof.ts";
export { reader } from "./now/reader.ts";
export { room } from "./now/room.ts";
export { common, fault, history, tabTitle, walk } from "./now/screens.ts";
export { printTrouble, send, sendOptions } from "./now/send.ts";
export { sheets, sheetTrouble } from "./now/sheets.ts";
export { shortcuts } from "./now/shortcuts.ts";
export { formatTrouble, lengthTrouble, start } from "./now/start.ts";
export { stepWords } from "./now/steps.ts";
export { style } from "./now/style.ts";
export { tilings } from "./now/tilings.ts";
export { tone } from "./now/tone.ts";
export { words } from "./now/words.ts";
export { writing } from "./now/writing.ts";
export { speak } from "./spoken.ts";
