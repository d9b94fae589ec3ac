import { inLineWith, seamStretches, type TreeSeam } from "#core/arrange";
import {
  insideRect,
  type Page,
  type PlacedGroup,
  type PlacedPage,
  seamsOfGroup,
  withReleased,
  withSeamMoved,
  withTrackMoved,
} from "#core/document";
import { roomSeamMoved, roomSeams } from "#core/edit";
import { pages as words } from "../../../text/index.ts";

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
  snaps(): readonly number[];
  /** The page with it moved. */
  moved(on: PlacedPage, atMm: number, alone: boolean): Page;
}

export const pageSeams = (on: PlacedPage): PageSeam[] => [
  ...on.groups.flatMap(groupSeams),
  ...(on.groups.length > 1 ? partSeams(on) : []),
];

/** The lines between parts of the page, that both sides follow as wholes. */
function partSeams(on: PlacedPage): PageSeam[] {
  const seams = roomSeams(on);
  const inside = insideRect(on.look, on.format);
  return seams.map((s, i) => {
    const [start, length] = s.across ? [inside.x, inside.w] : [inside.y, inside.h];
    return {
      key: `parts ${i}`,
      across: s.across,
      at: s.at,
      from: s.from,
      to: s.to,
      main: true,
      label: words.partSeam(s.across),
      snaps: () => {
        const others = seams.filter((o) => o !== s && o.across === s.across).map((o) => o.at);
        return [...[1 / 3, 1 / 2, 2 / 3].map((share) => start + share * length), ...others];
      },
      moved: (before, atMm) => {
        // While it is dragged the line is looked for where it began.
        const seam = roomSeams(before).find((o) => o.of === s.of && o.across === s.across && o.share === s.share);
        return seam ? roomSeamMoved(before, seam, atMm) : before.page;
      },
    };
  });
}

function groupSeams(at: PlacedGroup): PageSeam[] {
  const { room, gapMm, group } = at;
  const { arrangement } = group;
  const groupIn = (on: PlacedPage) => on.groups.find((g) => g.group.id === group.id)!;
  const evenly = (across: boolean) => {
    const [start, length] = across ? [room.x, room.w] : [room.y, room.h];
    return [1 / 3, 1 / 2, 2 / 3].map((share) => start + share * length);
  };
  if (arrangement.kind === "grid") {
    const stretches = seamStretches(arrangement, room, gapMm);
    return stretches.map((s, i) => {
      const across = s.axis === "columns";
      return {
        key: `${group.id} ${s.axis}${s.index}-${s.from.toFixed(3)}`,
        across,
        at: s.at,
        from: s.from,
        to: s.to,
        main: stretches.findIndex((o) => o.axis === s.axis && o.index === s.index) === i,
        label: words.seam(s.axis, s.index + 1),
        snaps: () => evenly(across),
        moved: (on, atMm) => withTrackMoved(on, groupIn(on), s.axis, s.index, atMm),
      };
    });
  }
  const seams = seamsOfGroup(at);
  const numbers = { across: 0, down: 0 };
  return seams.map((s) => {
    numbers[s.across ? "across" : "down"] += 1;
    return {
      key: `${group.id} ${keyOf(s)}`,
      across: s.across,
      at: s.at,
      from: s.from,
      to: s.to,
      main: true,
      label: words.treeSeam(s.across, numbers[s.across ? "across" : "down"]),
      snaps: () => {
        const line = new Set(inLineWith(s, seams, gapMm));
        const others = seams.filter((o) => o.across === s.across && !line.has(o)).map((o) => o.at);
        const released = seamsOfGroup({ ...at, group: withReleased(group) });
        const own = released.find((o) => keyOf(o) === keyOf(s))?.at;
        return [...evenly(s.across), ...others, ...(own === undefined ? [] : [own])];
      },
      moved: (on, atMm, alone) => withSeamMoved(on, groupIn(on), s, atMm, alone),
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
