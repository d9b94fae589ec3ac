import { applyTo, chain, inverse, type Matrix, type Point, rotation, translation } from "#core/geometry";
import { safeBox } from "#core/lab";
import { freeTiles, isLocked, type Page } from "../page/page.ts";
import { boxAround, type PlacedPage, type PlacedTile } from "../page/place-page.ts";
import { placed } from "../project/book.ts";
import { everyPage, type Project } from "../project/project.ts";
import type { Frame, FreeTile } from "../schema/page.ts";
import type { Change } from "./change.ts";

/** Words that lie freely on something go where that goes: a label on its photo, a name on its tag. */

/** So much of the words' place has to lie on it, as a share. */
const lyingShare = 0.8;
const probes = 7;

const radians = (degrees: number): number => (degrees * Math.PI) / 180;

/** From a frame's own mm, about its middle, to the page. */
const standing = ({ centre, turn }: Frame): Matrix => chain(translation(centre.x, centre.y), rotation(radians(turn)));

/** Points spread evenly over a frame. */
function spreadOver(frame: Frame): readonly Point[] {
  const to = standing(frame);
  const share = (i: number) => (i + 0.5) / probes - 0.5;
  return Array.from({ length: probes * probes }, (_, i) =>
    applyTo(to, { x: share(i % probes) * frame.width, y: share(Math.floor(i / probes)) * frame.height }),
  );
}

const holds = (frame: Frame, from: Matrix, p: Point): boolean => {
  const { x, y } = applyTo(from, p);
  return Math.abs(x) <= frame.width / 2 && Math.abs(y) <= frame.height / 2;
};

/** What these words lie on: the uppermost beneath them that carries most of them. */
function beneath(on: PlacedPage, words: PlacedTile): PlacedTile | undefined {
  const at = on.tiles.indexOf(words);
  const points = spreadOver(words.frame);
  const area = words.frame.width * words.frame.height;
  return on.tiles.slice(0, at).findLast(({ frame, filling }) => {
    if (filling.kind === "words" || frame.width * frame.height < area) return false;
    const from = inverse(standing(frame));
    return points.filter((p) => holds(frame, from, p)).length >= lyingShare * points.length;
  });
}

/** Where that is now: a photo that changed its tile is followed. */
function whereNow(on: PlacedPage, base: PlacedTile): PlacedTile | undefined {
  const same = on.tiles.find((t) => t.id === base.id);
  if (base.filling.kind !== "photo") return same;
  const { photoId } = base.filling.view;
  const shows = (t: PlacedTile) => t.filling.kind === "photo" && t.filling.view.photoId === photoId;
  return same && shows(same) ? same : (on.tiles.find(shows) ?? same);
}

/** At the same share of what they lie on, as far as they fit there, and turned with it. */
function carried(words: Frame, from: Frame, to: Frame): Frame {
  const at = applyTo(inverse(standing(from)), words.centre);
  const spare = (size: number, own: number) => Math.max(0, (size - own) / 2);
  const within = (v: number, of: number) => Math.min(of, Math.max(-of, v));
  const turn = words.turn + to.turn - from.turn;
  const inside = boxAround({ ...words, turn: words.turn - from.turn });
  const moved = {
    x: within((at.x / from.width) * to.width, spare(to.width, inside.w)),
    y: within((at.y / from.height) * to.height, spare(to.height, inside.h)),
  };
  return { ...words, centre: applyTo(standing(to), moved), turn: ((turn % 360) + 360) % 360 };
}

const sameFrame = (a: Frame, b: Frame): boolean =>
  a.centre.x === b.centre.x &&
  a.centre.y === b.centre.y &&
  a.width === b.width &&
  a.height === b.height &&
  a.turn === b.turn;

const labelsOf = (page: Page): readonly FreeTile[] =>
  freeTiles(page).filter((t) => t.filling.kind === "words" && !isLocked(t));

/** Words that nobody moved, and whose ground was moved or turned, go with it. */
export function wordsStay(before: Project, after: Project): readonly Change[] {
  const known = new Map(everyPage(before).map((p) => [p.id, p]));
  return everyPage(after).flatMap((page): Change[] => {
    const was = known.get(page.id);
    if (!was || was === page) return [];
    const framesBefore = new Map(labelsOf(was).map((t) => [t.id, t.frame]));
    const labels = labelsOf(page).filter(({ id, frame }) => {
      const then = framesBefore.get(id);
      return then !== undefined && sameFrame(then, frame);
    });
    if (labels.length === 0) return [];
    const [on, now] = [placed(before, was), placed(after, page)];
    const items = labels.flatMap(({ id, frame }) => {
      const words = on.tiles.find((t) => t.id === id);
      const base = words && beneath(on, words);
      const there = base && whereNow(now, base);
      if (!base || !there || sameFrame(base.frame, there.frame)) return [];
      return [{ id, set: { frame: onPaper(carried(frame, base.frame, there.frame), now) } }];
    });
    return items.length > 0 ? [{ type: "setTiles", pageId: page.id, items }] : [];
  });
}

/** Moved back in where they would be cut. */
function onPaper(frame: Frame, on: PlacedPage): Frame {
  const safe = safeBox(on.format);
  const box = boxAround(frame);
  const into = (at: number, size: number, from: number, room: number) =>
    size > room ? 0 : Math.max(from - at, 0) + Math.min(from + room - at - size, 0);
  return {
    ...frame,
    centre: {
      x: frame.centre.x + into(box.x, box.w, safe.x, safe.w),
      y: frame.centre.y + into(box.y, box.h, safe.y, safe.h),
    },
  };
}
