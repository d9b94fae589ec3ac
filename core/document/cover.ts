import { allSides } from "#core/geometry";
import { type CoverPanel, coverFormat, coverParts } from "./book.ts";
import { autoFramed } from "./framing.ts";
import { newTile } from "./lay-photos.ts";
import { withTree } from "./lay-tree.ts";
import { barePage, type Page, type Tile, type Words } from "./page.ts";
import type { Cover, Project } from "./project.ts";

/** A cover to begin from: a photo on the front, the name of the book on front and spine. */
export function firstCover(
  project: Project,
  photo: { readonly id: string; readonly aspect: number } | undefined,
  newId: () => string,
): Cover | undefined {
  const parts = coverParts(project);
  const format = coverFormat(project);
  if (!parts || !format) return undefined;
  const front = parts.panels.find((p) => p.part === "front")!;
  const { title } = project.words;
  const look = { ...project.style, margin: allSides(0), backdrop: null, background: coverColour };
  const bare = barePage(look, newId);
  const pad = front.w * 0.11;
  const words = (text: string): Words => ({
    kind: "words",
    text,
    style: { ...title, colour: "#fdfbf7", align: "centre", vertical: "middle" },
    role: "title",
    from: null,
    card: null,
  });
  const at = (tile: Tile, y: number, h: number): Tile => ({
    ...tile,
    outline: { kind: "rectangle", cornerMm: 0 },
    edge: { border: { ...look.border, widthMm: 0 } },
    frame: { centre: { x: front.x + front.w / 2, y: y + h / 2 }, width: front.w - 2 * pad, height: h, turn: 0 },
  });
  const heading = {
    ...at(newTile(bare, undefined, newId), parts.heightMm * 0.68, parts.heightMm * 0.2),
    filling: words(project.name),
  };
  const picture = photo && {
    ...at(newTile(bare, photo.id, newId), pad, parts.heightMm * 0.66 - pad),
    filling: { kind: "photo", view: autoFramed(photo.id) } as const,
  };
  return {
    page: { ...bare, over: picture ? [picture, heading] : [heading] },
    spine: {
      text: project.name,
      style: { ...title, colour: "#fdfbf7", sizePt: 14, leading: 1 },
      runs: "down",
      colour: null,
    },
  };
}

const coverColour = "#22302b";

/** The spine's words as a tile; none where it takes none. */
function spineTile(project: Project): Tile | undefined {
  const parts = coverParts(project);
  const { cover } = project;
  if (!parts || !cover || cover.spine.text.trim() === "" || parts.spineMm < parts.cover.leastForWordsMm)
    return undefined;
  const panel = parts.panels.find((p) => p.part === "spine")!;
  const { runs, style, text } = cover.spine;
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
  return spineStrip(cover.page, panel, parts.heightMm, "spine-words", filling);
}

/** Letters keep a fifth of the spine free on either side: it never folds quite where it should. */
const spineLetterShare = 0.6;

export const spineSizePt = (wantedPt: number, spineMm: number): number =>
  Math.max(3, Math.min(wantedPt, ((spineMm * spineLetterShare) / 25.4) * 72));

const spineStrip = (page: Page, panel: CoverPanel, heightMm: number, id: string, filling: Tile["filling"]): Tile => ({
  ...newTile(page, undefined, () => id),
  outline: { kind: "rectangle", cornerMm: 0 },
  edge: { border: { ...page.look.border, widthMm: 0 } },
  frame: { centre: { x: panel.x + panel.w / 2, y: heightMm / 2 }, width: panel.w, height: heightMm * 0.86, turn: 0 },
  filling,
});

/** The cover as it is drawn: its own tiles between the spine's colour and the spine's words. */
export function drawnCover(project: Project): Page | undefined {
  const parts = coverParts(project);
  const format = coverFormat(project);
  const { cover } = project;
  if (!parts || !format || !cover) return undefined;
  const panel = parts.panels.find((p) => p.part === "spine");
  const words = spineTile(project);
  const strip = panel &&
    cover.spine.colour && {
      ...spineStrip(cover.page, panel, parts.heightMm, "spine-colour", { kind: "colour", colour: cover.spine.colour }),
      frame: {
        centre: { x: panel.x + panel.w / 2, y: parts.heightMm / 2 },
        width: panel.w,
        height: parts.heightMm + 2 * format.bleedMm,
        turn: 0,
      },
    };
  if (!words && !strip) return cover.page;
  return { ...cover.page, over: [...cover.page.over, ...(strip ? [strip] : []), ...(words ? [words] : [])] };
}

/**
 * The cover of the book as it is now, moved along from the one it was: what lies on the front, with its title, goes with the
 * front; what lies on the back stays; an arrangement over all of it is solved again. Same object where nothing changed.
 */
export function followedCover(before: Project, after: Project): Cover | null {
  const { cover } = after;
  const [was, now] = [coverParts(before), coverParts(after)];
  const format = coverFormat(after);
  if (!cover || !was || !now || !format) return cover;
  if (was.widthMm === now.widthMm && was.heightMm === now.heightMm && was.spineMm === now.spineMm) return cover;
  const panelOf = (x: number) => was.panels.findLast((p) => x >= p.x) ?? was.panels[0]!;
  const over = cover.page.over.map((tile) => {
    const from = panelOf(tile.frame.centre.x);
    const to = now.panels.find((p) => p.part === from.part) ?? from;
    const [sx, sy] = [to.w / from.w, now.heightMm / was.heightMm];
    const { centre, width, height } = tile.frame;
    const moved = {
      ...tile.frame,
      centre: { x: to.x + (centre.x - from.x) * sx, y: centre.y * sy },
      width: width * sx,
      height: height * sy,
    };
    return { ...tile, frame: moved };
  });
  const page = { ...cover.page, over };
  const tree = page.arrangement?.kind === "tree" ? page.arrangement.tree : undefined;
  return { ...cover, page: tree ? withTree(page, format, tree) : page };
}

/** Less than this cannot be folded round a board. */
const turnedFromMm = 8;

/** Whether a cover's rim is folded round its boards and not cut away. */
export const isTurnedIn = (project: Project): boolean => (coverParts(project)?.cover.wrapMm ?? 0) >= turnedFromMm;
