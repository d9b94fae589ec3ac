import { allTiles, type Change, everyPage, type Project, type Words } from "#core/document";
import { type Mention, spansAfter } from "#core/words";

/** Where something is written in a work. */
export type WrittenAt =
  | { readonly in: "tile"; readonly pageId: string; readonly tileId: string }
  | { readonly in: "photo"; readonly photoId: string }
  | { readonly in: "spine" };

export interface Written {
  readonly at: WrittenAt;
  readonly text: string;
}

/** All that is written in a work, page by page: words of its own, captions of its photos, and what stands on the spine. */
export function writtenIn(
  project: Project,
  photosIn: (pageId: string) => readonly string[],
  captionOf: (photoId: string) => string,
): readonly Written[] {
  const found: Written[] = [];
  const said = new Set<string>();
  for (const page of everyPage(project)) {
    for (const { id, filling } of allTiles(page))
      if (filling.kind === "words" && !filling.from && !filling.contents && filling.text.trim() !== "")
        found.push({ at: { in: "tile", pageId: page.id, tileId: id }, text: filling.text });
    for (const photoId of photosIn(page.id)) {
      const text = captionOf(photoId);
      if (text.trim() === "" || said.has(photoId)) continue;
      said.add(photoId);
      found.push({ at: { in: "photo", photoId }, text });
    }
  }
  if (project.spine?.text) found.push({ at: { in: "spine" }, text: project.spine.text });
  return found;
}

/** A text with these places written otherwise. They may not overlap. */
export function withReplaced(text: string, places: readonly Pick<Mention, "from" | "to">[], by: string): string {
  return [...places]
    .sort((a, b) => b.from - a.from)
    .reduce((now, { from, to }) => now.slice(0, from) + by + now.slice(to), text);
}

/** Words with these places written otherwise, each in the look of its first letter. */
function wordsReplaced(words: Words, places: readonly Mention[], by: string): Words {
  let { text, spans } = words;
  for (const place of [...places].sort((a, b) => b.from - a.from)) {
    const next = withReplaced(text, [place], by);
    spans = spansAfter(spans, text, next);
    text = next;
  }
  return { ...words, text, spans };
}

export interface Replaced {
  readonly changes: readonly Change[];
  /** New captions, by photo. */
  readonly captions: ReadonlyMap<string, string>;
  readonly count: number;
}

/** Some of what is written in a work written otherwise: what changes in the work, and in its photos. */
export function replacedIn(
  project: Project,
  written: readonly Written[],
  mentions: readonly Mention[],
  by: string,
): Replaced {
  const changes: Change[] = [];
  const captions = new Map<string, string>();
  const items = new Map<string, { id: string; set: { filling: Words } }[]>();
  for (const [i, { at, text }] of written.entries()) {
    const places = mentions.filter((m) => m.text === i);
    if (places.length === 0) continue;
    if (at.in === "photo") captions.set(at.photoId, withReplaced(text, places, by));
    else if (at.in === "spine" && project.spine)
      changes.push({ type: "setProject", spine: { ...project.spine, text: withReplaced(text, places, by) } });
    else if (at.in === "tile") {
      const page = everyPage(project).find((p) => p.id === at.pageId);
      const tile = page && allTiles(page).find((t) => t.id === at.tileId);
      if (tile?.filling.kind !== "words") continue;
      const filling = wordsReplaced(tile.filling, places, by);
      items.set(at.pageId, [...(items.get(at.pageId) ?? []), { id: at.tileId, set: { filling } }]);
    }
  }
  for (const [pageId, these] of items) changes.push({ type: "setTiles", pageId, items: these });
  return { changes, captions, count: mentions.length };
}
