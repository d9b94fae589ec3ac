import { holdsAnything } from "#core/document";
import type { PageRule } from "../facts.ts";

/** A bare page in a book that nobody said was meant to be bare; not in one that has only begun. */
export const blankPage: PageRule = ({ page, kind, isCover, begun }) =>
  kind !== "book" || !begun || isCover || page.blank || holdsAnything(page)
    ? []
    : [{ code: "blankPage", weight: "doubt", spots: [{ pageId: page.id, tileIds: [] }], mends: ["keepBlank"] }];
