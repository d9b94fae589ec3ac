import { arrangedTiles, findPage, type Project, pagesBefore } from "#core/document";
import type { SceneFacts } from "#core/scene";
import type { Want } from "#core/sheets";
import { sheets as words } from "../../../text/index.ts";

/** Where a piece belongs, in a few words: its page and pocket, its page, or its caption. */
export function labelOf(project: Project, { source }: Want, facts: Pick<SceneFacts, "photo">): string {
  if (source.from === "photo") return facts.photo(source.photoId)?.caption ?? "";
  const at = project.pages.findIndex((p) => p.id === source.pageId);
  const number = (pagesBefore(project.pages)[at] ?? 0) + 1;
  if (source.from === "page") return words.pageLabel(number);
  const page = findPage(project, source.pageId);
  const pocket = (page ? arrangedTiles(page).findIndex((t) => t.id === source.tileId) : 0) + 1;
  return words.insertLabel(number, pocket);
}
