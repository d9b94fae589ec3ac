import * as english from "../en/pages.ts";
import { spoken } from "../spoken.ts";
import type { Words } from "../words.ts";

export let arranged: Words["arranged"] = english.arranged;
export let changeTrouble: Words["changeTrouble"] = english.changeTrouble;
export let pages: Words["pages"] = english.pages;
export let pageMenu: Words["pageMenu"] = english.pageMenu;
export let photoMenu: Words["photoMenu"] = english.photoMenu;
export let run: Words["run"] = english.run;
export let shelf: Words["shelf"] = english.shelf;
export let templates: Words["templates"] = english.templates;
export let tileMenu: Words["tileMenu"] = english.tileMenu;
export let zoom: Words["zoom"] = english.zoom;

spoken((next) => {
  ({ arranged, changeTrouble, pageMenu, pages, photoMenu, run, shelf, templates, tileMenu, zoom } = next);
});
