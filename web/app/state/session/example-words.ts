import {
  autoFramed,
  barePage,
  type FreeTile,
  newFreeTile,
  newGroup,
  newTile,
  type Page,
  type Project,
  type Words,
  withFree,
  withGroup,
} from "#core/document";
import { allSides } from "#core/geometry";
import { aspectOf, type Photo } from "#core/photo";
import type { WordRole, WordStyle } from "#core/words";
import { example } from "../../../text/index.ts";

/** Pages of the example that are there to be read. */

interface Place {
  readonly x: number;
  readonly y: number;
  readonly w: number;
  readonly h: number;
  readonly turn?: number;
}

const lying = ({ x, y, w, h, turn = 0 }: Place, filling: FreeTile["filling"], newId: () => string): FreeTile =>
  newFreeTile({ centre: { x: x + w / 2, y: y + h / 2 }, width: w, height: h, turn }, filling, newId);

const said = (project: Project, role: WordRole, text: string, look: Partial<WordStyle>): Words => ({
  kind: "words",
  text,
  style: { ...project.words[role], insetMm: 0, ...look },
  role,
  from: null,
  card: null,
});

/** A story in two columns under its photos, set as books are. */
export function storyPage(project: Project, photos: readonly Photo[], newId: () => string): Page {
  const { widthMm: w, heightMm: h } = project.format;
  const tiles = photos.map((p) => newTile(p.id, newId));
  const row = tiles.map((t, i) => ({ tileId: t.id, aspect: aspectOf(photos[i]!) }));
  const own = { gapMm: 3, margin: { ...allSides(22), bottom: h * 0.58 } };
  const page = withGroup({ ...barePage(newId), ...own }, newGroup({ kind: "rows", rows: [row] }, tiles, newId));
  const set = { whole: true, hyphens: true, hanging: true } as const;
  const story = said(project, "journal", example.story, {
    ...set,
    font: "eb-garamond",
    sizePt: 18.5,
    leading: 1.4,
    align: "justified",
    columns: 2,
    columnGapMm: 11,
    firstLineMm: 5,
  });
  const title = said(project, "title", example.storyTitle, { sizePt: 34, align: "left" });
  return [
    lying({ x: 22, y: h * 0.445, w: w - 44, h: 18 }, title, newId),
    lying({ x: 22, y: h * 0.525, w: w - 44, h: h * 0.43 }, story, newId),
  ].reduce((p, t) => withFree(p, t), page);
}

/** As at night. */
const nightTone = { exposure: -0.8 };

/** Words on a dark photo, a line that is read from right to left, and a card that somebody wrote. */
export function greetingPage(project: Project, photo: Photo, newId: () => string): Page {
  const { widthMm: w, heightMm: h } = project.format;
  const tile = newTile(photo.id, newId);
  const dimmed =
    tile.filling.kind === "photo"
      ? { ...tile, filling: { ...tile.filling, view: { ...autoFramed(photo.id), tone: nightTone } } }
      : tile;
  const arrangement = { kind: "rows", rows: [[{ tileId: tile.id, aspect: 1 }]] } as const;
  const page = withGroup(
    { ...barePage(newId), background: "#1f2238", margin: allSides(20) },
    newGroup(arrangement, [dimmed], newId),
  );
  const pale = { colour: "#fbf6ea", align: "centre" } as const;
  const card: Words = {
    ...said(project, "journal", example.greetingCard, { font: "caveat", sizePt: 19, leading: 1.3, insetMm: 6 }),
    card: { ground: "#f6f1e7", lines: "ruled", ink: "#d2c6b0" },
  };
  return [
    lying(
      { x: 30, y: 34, w: w - 60, h: 26 },
      said(project, "title", example.greetingTitle, { ...pale, sizePt: 48 }),
      newId,
    ),
    lying(
      { x: 40, y: 68, w: w - 80, h: 16 },
      said(project, "heading", example.greetingFar, { ...pale, font: "noto-naskh-arabic", sizePt: 26 }),
      newId,
    ),
    lying({ x: w - 146, y: h - 112, w: 108, h: 70, turn: -3 }, card, newId),
  ].reduce((p, t) => withFree(p, t), page);
}
