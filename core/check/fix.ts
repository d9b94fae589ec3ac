import {
  autoFramed,
  barePage,
  type Change,
  coverChanges,
  type Filling,
  type Frame,
  findPage,
  findPlaced,
  findTile,
  firstCover,
  type Patch,
  type PlacedPage,
  type PlacedTile,
  type Project,
  pageCount,
  placed,
  removeTiles,
  rulesOf,
  type TileFields,
} from "#core/document";
import { clamp } from "#core/geometry";
import { bleedBox, boundPages, type PageFormat, safeBox } from "#core/lab";
import { laidWords, seenFrame, wordsOf } from "#core/scene";
import type { PageFacts } from "./facts.ts";
import type { Finding, FixCode } from "./finding.ts";
import { unhanded } from "./page-rules/faces.ts";
import { cuttingToleranceMm } from "./page-rules/near-the-cut.ts";
import { leastReadablePt, readableInk, withWiderInset, wordsOn } from "./page-rules/words.ts";
import { cutEdges, tileBox } from "./places.ts";
import { placedIn } from "./project-rules/left-out.ts";
import { withSharperPlace, withSmallerTile } from "./softness.ts";

/** What a fix may ask beyond the project. */
export interface FixFacts extends PageFacts {
  readonly newId: () => string;
  /** Photos by how well they would do on a cover, the best first. */
  coverPhoto(among: ReadonlySet<string>): { readonly id: string; readonly aspect: number } | undefined;
}

/** The changes that put a finding right; none where it cannot be done after all. */
export function fixed(project: Project, finding: Finding, fix: FixCode, facts: FixFacts): readonly Change[] {
  const spot = finding.spots[0];
  const page = spot && findPage(project, spot.pageId);
  if (fix === "addPages" || fix === "makeCover" || fix === "clearSpine") return fixedProject(project, fix, facts);
  if (!page) return [];
  const on = placed(project, page);
  const { format } = on;
  const tile = findPlaced(on, spot.tileIds[0] ?? "");
  switch (fix) {
    case "sharperPlace":
    case "printSmaller": {
      const how = fix === "sharperPlace" ? withSharperPlace : withSmallerTile;
      const next = tile && how(on, tile.id, facts);
      return next ? [{ type: "replacePage", page: next.page }] : [];
    }
    case "keepBlank":
      return [{ type: "setPages", items: [{ id: page.id, set: { blank: true } }] }];
    case "fullBleed":
    case "widerMargin": {
      const { margin } = on.look;
      const thin = (mm: number) =>
        mm > 0 && mm < cuttingToleranceMm(format) ? (fix === "fullBleed" ? 0 : Math.max(3, format.safeMm)) : mm;
      const sides = {
        top: thin(margin.top),
        right: thin(margin.right),
        bottom: thin(margin.bottom),
        left: thin(margin.left),
      };
      return [{ type: "setPages", items: [{ id: page.id, set: { margin: sides } }] }];
    }
    case "takeAway": {
      // Asked for twice, the second time there is nothing to take away.
      const there = spot.tileIds.filter((id) => findTile(page, id));
      return there.length === 0 ? [] : [{ type: "replacePage", page: removeTiles(on, there) }];
    }
    default: {
      const set = tile && fixedTile(on, tile, fix, facts);
      return set ? [{ type: "setTiles", pageId: page.id, items: [{ id: tile.id, set }] }] : [];
    }
  }
}

/** What a tile is told. */
type Told = NonNullable<Patch<TileFields>["set"]>;

type TileMend = Exclude<
  FixCode,
  | "addPages"
  | "makeCover"
  | "clearSpine"
  | "keepBlank"
  | "fullBleed"
  | "widerMargin"
  | "takeAway"
  | "sharperPlace"
  | "printSmaller"
>;

function fixedTile(on: PlacedPage, tile: PlacedTile, fix: TileMend, facts: PageFacts): Told | undefined {
  const { filling } = tile;
  const { format } = on;
  const withFilling = (next: Filling): Told => ({ filling: next });
  switch (fix) {
    case "useSharper": {
      if (filling.kind !== "photo") return undefined;
      const photoId = facts.sharperTwin(filling.view.photoId);
      return photoId === undefined ? undefined : withFilling({ kind: "photo", view: autoFramed(photoId) });
    }
    case "cover": {
      if (filling.kind !== "photo") return undefined;
      const { view } = filling;
      return withFilling({
        kind: "photo",
        view: { ...view, byHand: true, whole: false, zoom: Math.max(1, view.zoom) },
      });
    }
    case "frameByFocus":
      return filling.kind === "photo" ? withFilling({ kind: "photo", view: unhanded(filling.view) }) : undefined;
    case "dropBorder":
      return { border: { ...tile.border, widthMm: 0 } };
    case "reachBleed":
      return { frame: reachingBleed(tile, format) };
    case "moveInside":
      return movedInside(on, tile, facts);
    case "insetWords":
      return fillingOf(withWiderInset(on, tile, format, facts));
    case "shrinkWords":
    case "enlargeWords":
      return fillingOf(resized(tile, fix, format, facts));
    case "readableInk": {
      const words = wordsOn({ page: on, format }, facts).find((w) => w.tile.id === tile.id);
      const ground = words && facts.behind?.(tile.id, words.at);
      const colour = ground && readableInk(ground);
      return filling.kind === "words" && colour
        ? withFilling({ ...filling, style: { ...filling.style, colour } })
        : undefined;
    }
  }
}

const fillingOf = (tile: PlacedTile | undefined): Told | undefined => tile && { filling: tile.filling };

/** Those edges moved out to the bleed that lie at the trim. */
function reachingBleed(tile: PlacedTile, format: PageFormat): Frame {
  const r = tileBox(tile);
  const box = bleedBox(format);
  let [x0, y0, x1, y1] = [r.x, r.y, r.x + r.w, r.y + r.h];
  for (const { edge, outMm } of cutEdges(r, format).edges) {
    if (outMm < -1) continue;
    if (edge === "left") x0 = Math.min(x0, box.x);
    if (edge === "top") y0 = Math.min(y0, box.y);
    if (edge === "right") x1 = Math.max(x1, box.x + box.w);
    if (edge === "bottom") y1 = Math.max(y1, box.y + box.h);
  }
  const centre = { x: (x0 + x1) / 2, y: (y0 + y1) / 2 };
  return { ...tile.frame, centre, width: x1 - x0, height: y1 - y0 };
}

/** The tile pushed in so that its words, or itself, lie where nothing is lost; as it was where they are too large for that. */
function movedInside(on: PlacedPage, tile: PlacedTile, facts: PageFacts): Told | undefined {
  const { format } = on;
  const at = wordsOn({ page: on, format }, facts).find((w) => w.tile.id === tile.id)?.at ?? tileBox(tile);
  const safe = nearestSafe(at, format);
  if (at.w > safe.w || at.h > safe.h) return undefined;
  const dx = clamp(at.x, safe.x, safe.x + safe.w - at.w) - at.x;
  const dy = clamp(at.y, safe.y, safe.y + safe.h - at.h) - at.y;
  const { centre } = tile.frame;
  return { frame: { ...tile.frame, centre: { x: centre.x + dx, y: centre.y + dy } } };
}

/** Of a spread or a cover, that part between two folds in which most of it lies. */
function nearestSafe(at: { readonly x: number; readonly w: number }, format: PageFormat) {
  const safe = safeBox(format);
  const inner = (format.folds ?? []).filter((f) => f.atMm > 0 && f.atMm < format.widthMm && f.hiddenMm > 0);
  const middle = at.x + at.w / 2;
  const from = Math.max(safe.x, ...inner.filter((f) => f.atMm <= middle).map((f) => f.atMm + f.hiddenMm));
  const to = Math.min(safe.x + safe.w, ...inner.filter((f) => f.atMm > middle).map((f) => f.atMm - f.hiddenMm));
  return { x: from, y: safe.y, w: to - from, h: safe.h };
}

/** The largest size, in quarters of a point, at which all words show; or the least that can be read, if they fit there. */
function resized(
  tile: PlacedTile,
  fix: "shrinkWords" | "enlargeWords",
  format: PageFormat,
  facts: PageFacts,
): PlacedTile | undefined {
  const { filling } = tile;
  if (filling.kind !== "words" || !facts.setter) return undefined;
  const { setter } = facts;
  const frame = seenFrame(tile.frame, format);
  const text = wordsOf(filling, facts.photo);
  const at = (sizePt: number): PlacedTile => ({
    ...tile,
    filling: { ...filling, style: { ...filling.style, sizePt } },
  });
  const fits = (sizePt: number) => laidWords(text, { ...filling.style, sizePt }, frame, setter)?.hidden === 0;
  if (fix === "enlargeWords") return fits(leastReadablePt) ? at(leastReadablePt) : undefined;
  for (let pt = Math.floor(filling.style.sizePt * 4 - 1) / 4; pt >= leastReadablePt; pt -= 0.25)
    if (fits(pt)) return at(pt);
  return undefined;
}

function fixedProject(
  project: Project,
  fix: "addPages" | "makeCover" | "clearSpine",
  facts: FixFacts,
): readonly Change[] {
  if (fix === "clearSpine") return project.spine ? [{ type: "setProject", spine: { ...project.spine, text: "" } }] : [];
  if (fix === "makeCover") {
    const made = firstCover(project, facts.coverPhoto(placedIn(project)), facts.newId);
    return made ? coverChanges(made) : [];
  }
  const rules = rulesOf(project);
  const count = pageCount(project.pages);
  const missing = rules ? boundPages(rules, count) - count : 0;
  if (missing <= 0) return [];
  const at = project.pages.length;
  const pages = Array.from({ length: missing }, (_, i) => ({ page: barePage(facts.newId), at: at + i }));
  return [{ type: "insertPages", pages }];
}
