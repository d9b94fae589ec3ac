import { inLineWith, seamStretches, type TreeSeam } from "#core/arrange";
import { type Change, type Page, roomRect, seamsOfPage, withReleased, withSeamMoved } from "#core/document";
import type { PageFormat } from "#core/lab";
import { pages as words } from "../../../text/pages.ts";

/** A stretch of a seam that a hand can take hold of; of a grid or of a tree alike. In mm on the page. */
export interface PageSeam {
  readonly key: string;
  /** Runs down the page, and moves across it. */
  readonly across: boolean;
  readonly at: number;
  readonly from: number;
  readonly to: number;
  /** The one of several stretches that the tab key stops at. */
  readonly main: boolean;
  readonly label: string;
  /** Where it snaps to: halves and thirds of the room, other seams, and where it lay before any hand moved it. */
  readonly snaps: readonly number[];
  moved(page: Page, atMm: number, alone: boolean): Change;
}

export function pageSeams(page: Page, format: PageFormat): PageSeam[] {
  const { arrangement } = page;
  if (!arrangement) return [];
  const room = roomRect(page.look, format);
  const evenly = (across: boolean) => {
    const [start, length] = across ? [room.x, room.w] : [room.y, room.h];
    return [1 / 3, 1 / 2, 2 / 3].map((share) => start + share * length);
  };
  if (arrangement.kind === "grid") {
    const stretches = seamStretches(arrangement, room, page.look.gapMm);
    return stretches.map((s, i) => {
      const across = s.axis === "columns";
      return {
        key: `${s.axis}${s.index}-${s.from.toFixed(3)}`,
        across,
        at: s.at,
        from: s.from,
        to: s.to,
        main: stretches.findIndex((o) => o.axis === s.axis && o.index === s.index) === i,
        label: words.seam(s.axis, s.index + 1),
        snaps: evenly(across),
        moved: (_, atMm) => ({ type: "moveSeam", pageId: page.id, axis: s.axis, index: s.index, atMm }),
      };
    });
  }
  const seams = seamsOfPage(page, format);
  const natural = new Map(seamsOfPage(withReleased(page, format), format).map((s) => [keyOf(s), s.at]));
  const numbers = { across: 0, down: 0 };
  return seams.map((s) => {
    const line = new Set(inLineWith(s, seams, page.look.gapMm));
    const others = seams.filter((o) => o.across === s.across && !line.has(o)).map((o) => o.at);
    const own = natural.get(keyOf(s));
    numbers[s.across ? "across" : "down"] += 1;
    return {
      key: keyOf(s),
      across: s.across,
      at: s.at,
      from: s.from,
      to: s.to,
      main: true,
      label: words.treeSeam(s.across, numbers[s.across ? "across" : "down"]),
      snaps: [...evenly(s.across), ...others, ...(own === undefined ? [] : [own])],
      moved: (kept, atMm, alone) => ({ type: "putPage", page: withSeamMoved(kept, format, s, atMm, alone) }),
    };
  });
}

const keyOf = (s: TreeSeam): string => `${s.path.join(".")}-${s.index}`;

/** The nearest place to snap to within `reach`, else where it is. */
export function snapped(at: number, snaps: readonly number[], reach: number): number {
  let best = at;
  let least = reach;
  for (const snap of snaps) {
    const off = Math.abs(snap - at);
    if (off <= least) [best, least] = [snap, off];
  }
  return best;
}
