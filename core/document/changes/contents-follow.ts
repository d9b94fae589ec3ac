import { allTiles, type Page } from "../page/page.ts";
import { formatOf, pagesBefore, placed } from "../project/book.ts";
import { everyPage, type Project } from "../project/project.ts";
import type { Words } from "../schema/filling.ts";
import type { Change } from "./change.ts";

/** A table of contents: what stands over pages, each with the number of its page. */
export interface Entry {
  readonly title: string;
  readonly page: number;
  readonly heading: boolean;
}

const isOver = ({ role, contents }: Words): boolean => (role === "title" || role === "heading") && !contents;
const oneLine = (text: string): string => text.replace(/\s+/g, " ").trim();

/** Titles and headings of all pages but the cover, in the order of pages and on each from top to bottom. */
export function contentsOf(project: Project): readonly Entry[] {
  const before = pagesBefore(project.pages);
  return project.pages.flatMap((page, i) => {
    if (!allTiles(page).some(({ filling }) => filling.kind === "words" && isOver(filling))) return [];
    const leafMm = formatOf(project, page).widthMm / page.span;
    return placed(project, page)
      .tiles.flatMap(({ frame, filling }) => {
        if (filling.kind !== "words" || !isOver(filling) || oneLine(filling.text) === "") return [];
        const leaf = Math.min(page.span - 1, Math.max(0, Math.floor(frame.centre.x / leafMm)));
        return [{ at: frame.centre, leaf, title: oneLine(filling.text), heading: filling.role === "heading" }];
      })
      .sort((a, b) => a.leaf - b.leaf || a.at.y - b.at.y || a.at.x - b.at.x)
      .map(({ leaf, title, heading }) => ({ title, heading, page: before[i]! + leaf + 1 }));
  });
}

/** No line begins with the number alone. */
const joined = "\t\u2060";

/** A line for each, its number after a tab. */
export const contentsText = (entries: readonly Entry[], which: NonNullable<Words["contents"]>): string =>
  entries
    .filter((e) => which === "headings" || !e.heading)
    .map((e) => `${e.title}${joined}${e.page}`)
    .join("\n");

const holders = new WeakMap<Page, boolean>();

function holdsContents(page: Page): boolean {
  const known = holders.get(page);
  if (known !== undefined) return known;
  const holds = allTiles(page).some(({ filling }) => filling.kind === "words" && filling.contents !== undefined);
  holders.set(page, holds);
  return holds;
}

/** A table of contents says what the pages' titles say by now. */
export function contentsFollow(before: Project, after: Project): readonly Change[] {
  const pages = everyPage(after).filter(holdsContents);
  if (pages.length === 0 || (before.pages === after.pages && before.cover === after.cover)) return [];
  const entries = contentsOf(after);
  return pages.flatMap((page): Change[] => {
    const items = allTiles(page).flatMap(({ id, filling }) => {
      if (filling.kind !== "words" || !filling.contents) return [];
      const text = contentsText(entries, filling.contents);
      return text === filling.text ? [] : [{ id, set: { filling: { ...filling, text, spans: undefined } } }];
    });
    return items.length > 0 ? [{ type: "setTiles", pageId: page.id, items }] : [];
  });
}
