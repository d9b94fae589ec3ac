import { holdsAnything } from "#core/document";
import type { PageRule } from "../rule.ts";

/**
 * A bare page that nobody said was meant to be bare, once the work has begun. A book prints it; a collage leaves it out of its files
 * and says so.
 */
export const blankPage: PageRule<{ readonly code: "blankPage" | "pageLeftOut" }, "keepBlank"> = {
  looksAt: "page",
  find: ({ page, kind, isCover, begun }) => {
    if (kind === "pockets" || !begun || isCover || page.page.blank || holdsAnything(page.page, page.style)) return [];
    const spots = [{ pageId: page.id, tileIds: [] }];
    return kind === "book"
      ? [{ code: "blankPage", severity: "doubt", spots, fixes: ["keepBlank"] }]
      : [{ code: "pageLeftOut", severity: "hint", spots, fixes: [] }];
  },
  fixes: { keepBlank: ({ on }) => [{ type: "setPages", items: [{ id: on.id, set: { blank: true } }] }] },
};
