import type { PlacedPage } from "#core/document";
import type { Rect } from "#core/geometry";
import { fingerprint } from "#core/random";
import { lookInMarks, pageInMarks, tileInMarks } from "./marks.ts";

/** `wrong` goes wrong on paper for certain; `doubt` may be meant so; `hint` is only worth knowing. */
export const severities = ["wrong", "doubt", "hint"] as const;
export type Severity = (typeof severities)[number];

export type Edge = "left" | "top" | "right" | "bottom";
/** How near to being lost: cut off, in the fold, or only closer to the cut than the lab wants. */
export type Risk = "cut" | "fold" | "near";

/** Where on a page; `at` in mm from its trim's top left. */
export interface Spot {
  readonly pageId: string;
  readonly tileIds: readonly string[];
  readonly at?: Rect;
}

/** What kind of trouble it is, with its facts. */
export interface Detail {
  readonly code: string;
}

/** What a rule says (`F`: the fixes that it knows); who asked adds which place it is and in what state. */
export type Found<D extends Detail = Detail, F extends string = string> = D & {
  readonly severity: Severity;
  /** Nothing where it concerns the work as a whole. */
  readonly spots: readonly Spot[];
  /** The best first. */
  readonly fixes: readonly F[];
};

export interface Keyed {
  /** The same place with the same trouble has the same key. */
  readonly key: string;
  /** Changes with anything that the finding rests on. */
  readonly mark: string;
}

/** Of the pages that a finding lies on, those tiles that it speaks of; of the page as a whole where it names none. */
export function restsOn(found: Found, pageOf: (pageId: string) => PlacedPage | undefined): unknown {
  return found.spots.map((s) => {
    const page = pageOf(s.pageId);
    if (!page) return s;
    const tiles = page.tiles.filter((t) => s.tileIds.includes(t.id));
    return tiles.length > 0 ? [tiles.map(tileInMarks), lookInMarks(page.look)] : pageInMarks(page);
  });
}

/** Facts go into marks under the names that they had when the first marks were kept; under others, all that was accepted would open again. */
const namesInMarks: Readonly<Record<string, string>> = { risk: "peril" };

export function keyed<T extends Found>(found: T, restsOn: unknown): T & Keyed {
  const where = found.spots.map((s) => `${s.pageId}:${s.tileIds.join("+")}`).join(",");
  const { spots, fixes, severity, ...detail } = found;
  const marked = Object.fromEntries(Object.entries(detail).map(([name, v]) => [namesInMarks[name] ?? name, v]));
  return { ...found, key: `${found.code} ${where}`, mark: fingerprint(JSON.stringify([marked, restsOn])) };
}
