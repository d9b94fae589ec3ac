import * as english from "../en/book.ts";
import { spoken } from "../spoken.ts";
import type { Words } from "../words.ts";

export let book: Words["book"] = english.book;

spoken((next) => {
  ({ book } = next);
});
