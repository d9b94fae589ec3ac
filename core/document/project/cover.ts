import { allSides } from "#core/geometry";
import type { ReplaceAll } from "../changes/kinds/replace.ts";
import type { SetProject } from "../changes/kinds/set-project.ts";
import { autoFramed } from "../fillings/index.ts";
import { drawnTile } from "../page/drawn-tile.ts";
import { newFreeTile } from "../page/new-tile.ts";
import { barePage, type Filling, type FreeTile, freeTiles, type Page, type Words } from "../page/page.ts";
import type { PlacedTile } from "../page/place-page.ts";
import { type CoverPanel, coverFormat, coverParts } from "./book.ts";
import type { Project, Spine } from "./project.ts";

/** A cover to begin from: a photo on the front, the name of the book on front and spine. */
export function firstCover(
  project: Project,
  photo: { readonly id: string; readonly aspect: number } | undefined,
  newId: () => string,
): { readonly cover: Page; readonly spine: Spine } | undefined {
  const parts = coverParts(project);
  if (!parts) return undefined;
  const front = parts.panels.find((p) => p.part === "front")!;
  const { title } = project.words;
  const bare = barePage(newId, 1, { margin: allSides(0), backdrop: null, paper: null, background: coverColour });
  const pad = front.w * 0.11;
  const words = (text: string): Words => ({
    kind: "words",
    text,
    style: { ...title, colour: "#fdfbf7", align: "centre", vertical: "middle" },
    role: "title",
    from: null,
    card: null,
  });
  const at = (filling: Filling, y: number, h: number): FreeTile =>
    newFreeTile(
      { centre: { x: front.x + front.w / 2, y: y + h / 2 }, width: front.w - 2 * pad, height: h, turn: 0 },
      filling,
      newId,
    );
  const heading = at(words(project.name), parts.heightMm * 0.68, parts.heightMm * 0.2);
  const picture = photo && at({ kind: "photo", view: autoFramed(photo.id) }, pad, parts.heightMm * 0.66 - pad);
  return {
    cover: { ...bare, pieces: picture ? [picture, heading] : [heading] },
    spine: {
      text: project.name,
      style: { ...title, colour: "#fdfbf7", sizePt: 14, leading: 1 },
      runs: "down",
      colour: null,
    },
  };
}

/** A cover with its spine, or none of either. */
export const coverChanges = (
  made: { readonly cover: Page; readonly spine: Spine } | undefined,
): readonly [ReplaceAll, SetProject] => [
  { type: "replaceAll", cover: made?.cover ?? null },
  { type: "setProject", spine: made?.spine ?? null },
];

const coverColour = "#22302b";

/** The spine's words as a tile; none where it takes none. */
function spineWords(project: Project): PlacedTile | undefined {
  const parts = coverParts(project);
  const { cover, spine } = project;
  if (!parts || !cover || !spine || spine.text.trim() === "" || parts.spineMm < parts.cover.leastForWordsMm)
    return undefined;
  const panel = parts.panels.find((p) => p.part === "spine")!;
  const { runs, style, text } = spine;
  const turn = runs === "down" ? 90 : runs === "up" ? 270 : 0;
  const filling: Words = {
    kind: "words",
    text: runs === "across" ? [...text].join("\n") : text,
    style: {
      ...style,
      sizePt: spineSizePt(style.sizePt, parts.spineMm),
      leading: 1,
      turn,
      align: "centre",
      vertical: "middle",
      insetMm: 0,
    },
    role: "title",
    from: null,
    card: null,
  };
  return spineStrip(panel, parts.heightMm, parts.heightMm * 0.86, "spine-words", filling);
}

/** Letters keep a fifth of the spine free on either side: it never folds quite where it should. */
const spineLetterShare = 0.6;

export const spineSizePt = (wantedPt: number, spineMm: number): number =>
  Math.max(3, Math.min(wantedPt, ((spineMm * spineLetterShare) / 25.4) * 72));

const spineStrip = (panel: CoverPanel, pageMm: number, heightMm: number, id: string, filling: Filling): PlacedTile =>
  drawnTile(
    id,
    { centre: { x: panel.x + panel.w / 2, y: pageMm / 2 }, width: panel.w, height: heightMm, turn: 0 },
    filling,
  );

/** What is drawn on a cover besides its own tiles: the spine's colour and the spine's words. */
export function spineTiles(project: Project): readonly PlacedTile[] {
  const parts = coverParts(project);
  const format = coverFormat(project);
  const { spine } = project;
  if (!parts || !format || !project.cover) return [];
  const panel = parts.panels.find((p) => p.part === "spine");
  const words = spineWords(project);
  const high = parts.heightMm + 2 * format.bleedMm;
  const strip =
    panel &&
    spine?.colour &&
    spineStrip(panel, parts.heightMm, high, "spine-colour", { kind: "colour", colour: spine.colour });
  return [...(strip ? [strip] : []), ...(words ? [words] : [])];
}

/**
 * Where free tiles of the cover lie in the book as it is now, moved along from the one it was: what lies on the front, with its title,
 * goes with the front; what lies on the back stays. Groups follow by their rooms. Only those that moved.
 */
export function coverMoves(before: Project, after: Project): readonly FreeTile[] {
  const { cover } = after;
  const [was, now] = [coverParts(before), coverParts(after)];
  if (!cover || !was || !now) return [];
  if (was.widthMm === now.widthMm && was.heightMm === now.heightMm && was.spineMm === now.spineMm) return [];
  const panelOf = (x: number) => was.panels.findLast((p) => x >= p.x) ?? was.panels[0]!;
  return freeTiles(cover).map((tile) => {
    const from = panelOf(tile.frame.centre.x);
    const to = now.panels.find((p) => p.part === from.part) ?? from;
    const [sx, sy] = [to.w / from.w, now.heightMm / was.heightMm];
    const { centre, width, height } = tile.frame;
    const frame = {
      ...tile.frame,
      centre: { x: to.x + (centre.x - from.x) * sx, y: centre.y * sy },
      width: width * sx,
      height: height * sy,
    };
    return { ...tile, frame };
  });
}

/** Less than this cannot be folded round a board. */
const turnedFromMm = 8;

/** Whether a cover's rim is folded round its boards and not cut away. */
export const isTurnedIn = (project: Project): boolean => (coverParts(project)?.cover.wrapMm ?? 0) >= turnedFromMm;
