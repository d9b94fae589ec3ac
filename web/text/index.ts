import * as english from "./en/index.ts";
import type { Words } from "./words.ts";

/** What is on screen now. The bindings change with `speak`, so they are read when something is shown, never kept from before. */
export let ago: Words["ago"] = english.ago;
export let arranged: Words["arranged"] = english.arranged;
export let book: Words["book"] = english.book;
export let cannotOpen: Words["cannotOpen"] = english.cannotOpen;
export let cardTrouble: Words["cardTrouble"] = english.cardTrouble;
export let changeTrouble: Words["changeTrouble"] = english.changeTrouble;
export let check: Words["check"] = english.check;
export let chosenWords: Words["chosenWords"] = english.chosenWords;
export let common: Words["common"] = english.common;
export let countOf: Words["countOf"] = english.countOf;
export let deedWords: Words["deedWords"] = english.deedWords;
export let eventWords: Words["eventWords"] = english.eventWords;
export let example: Words["example"] = english.example;
export let fault: Words["fault"] = english.fault;
export let filterWords: Words["filterWords"] = english.filterWords;
export let findingDetail: Words["findingDetail"] = english.findingDetail;
export let findingTitle: Words["findingTitle"] = english.findingTitle;
export let findingWhy: Words["findingWhy"] = english.findingWhy;
export let fixWords: Words["fixWords"] = english.fixWords;
export let formatTrouble: Words["formatTrouble"] = english.formatTrouble;
export let formats: Words["formats"] = english.formats;
export let history: Words["history"] = english.history;
export let keeping: Words["keeping"] = english.keeping;
export let keys: Words["keys"] = english.keys;
export let labs: Words["labs"] = english.labs;
export let language: Words["language"] = english.language;
export let leftOutReason: Words["leftOutReason"] = english.leftOutReason;
export let lengthTrouble: Words["lengthTrouble"] = english.lengthTrouble;
export let lossWords: Words["lossWords"] = english.lossWords;
export let lostAll: Words["lostAll"] = english.lostAll;
export let orderWords: Words["orderWords"] = english.orderWords;
export let pace: Words["pace"] = english.pace;
export let pages: Words["pages"] = english.pages;
export let panel: Words["panel"] = english.panel;
export let photos: Words["photos"] = english.photos;
export let pockets: Words["pockets"] = english.pockets;
export let printTrouble: Words["printTrouble"] = english.printTrouble;
export let reading: Words["reading"] = english.reading;
export let reasonWords: Words["reasonWords"] = english.reasonWords;
export let removeWords: Words["removeWords"] = english.removeWords;
export let removedWords: Words["removedWords"] = english.removedWords;
export let run: Words["run"] = english.run;
export let safeFolder: Words["safeFolder"] = english.safeFolder;
export let send: Words["send"] = english.send;
export let sendOptions: Words["sendOptions"] = english.sendOptions;
export let sharpnessWords: Words["sharpnessWords"] = english.sharpnessWords;
export let sheetTrouble: Words["sheetTrouble"] = english.sheetTrouble;
export let sheetWords: Words["sheetWords"] = english.sheetWords;
export let sheets: Words["sheets"] = english.sheets;
export let shelf: Words["shelf"] = english.shelf;
export let spaceWords: Words["spaceWords"] = english.spaceWords;
export let start: Words["start"] = english.start;
export let stepWords: Words["stepWords"] = english.stepWords;
export let templates: Words["templates"] = english.templates;
export let tileMenu: Words["tileMenu"] = english.tileMenu;
export let timeLeft: Words["timeLeft"] = english.timeLeft;
export let timeWords: Words["timeWords"] = english.timeWords;
export let timelineWords: Words["timelineWords"] = english.timelineWords;
export let walk: Words["walk"] = english.walk;
export let words: Words["words"] = english.words;
export let work: Words["work"] = english.work;
export let workFault: Words["workFault"] = english.workFault;

/** Exchanges every word on screen. What was shown before is not shown anew by this: it is called before anything is. */
export function speak(next: Words): void {
  ({
    ago,
    arranged,
    book,
    cannotOpen,
    cardTrouble,
    changeTrouble,
    check,
    chosenWords,
    common,
    countOf,
    deedWords,
    eventWords,
    example,
    fault,
    filterWords,
    findingDetail,
    findingTitle,
    findingWhy,
    fixWords,
    formatTrouble,
    formats,
    history,
    keeping,
    keys,
    labs,
    language,
    leftOutReason,
    lengthTrouble,
    lossWords,
    lostAll,
    orderWords,
    pace,
    pages,
    panel,
    photos,
    pockets,
    printTrouble,
    reading,
    reasonWords,
    removeWords,
    removedWords,
    run,
    safeFolder,
    send,
    sendOptions,
    sharpnessWords,
    sheetTrouble,
    sheetWords,
    sheets,
    shelf,
    spaceWords,
    start,
    stepWords,
    templates,
    tileMenu,
    timeLeft,
    timeWords,
    timelineWords,
    walk,
    words,
    work,
    workFault,
  } = next);
}
