import * as english from "../en/photos.ts";
import { spoken } from "../spoken.ts";
import type { Words } from "../words.ts";

export let chosenWords: Words["chosenWords"] = english.chosenWords;
export let countOf: Words["countOf"] = english.countOf;
export let deedWords: Words["deedWords"] = english.deedWords;
export let eventWords: Words["eventWords"] = english.eventWords;
export let filterWords: Words["filterWords"] = english.filterWords;
export let leftOutReason: Words["leftOutReason"] = english.leftOutReason;
export let photos: Words["photos"] = english.photos;
export let removeWords: Words["removeWords"] = english.removeWords;
export let sheetWords: Words["sheetWords"] = english.sheetWords;
export let spaceWords: Words["spaceWords"] = english.spaceWords;
export let timeLeft: Words["timeLeft"] = english.timeLeft;
export let timeWords: Words["timeWords"] = english.timeWords;
export let timelineWords: Words["timelineWords"] = english.timelineWords;

spoken((next) => {
  ({
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
    timeWords,
    timelineWords,
  } = next);
});
