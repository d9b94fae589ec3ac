import type { PlacedPage } from "#core/document";
import type { Rect, Size } from "#core/geometry";
import { pageInMarks, tileInMarks } from "./marks.ts";

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

type Detail =
  | { readonly code: "emptyTile" }
  | { readonly code: "soft"; readonly ppi: number; readonly needsPpi: number; readonly largest: Size }
  | { readonly code: "lessSharp"; readonly ppi: number; readonly needsPpi: number; readonly largest: Size }
  | { readonly code: "uncovered"; readonly sliverMm: number }
  | { readonly code: "shortOfBleed"; readonly edges: readonly Edge[]; readonly bleedMm: number }
  | { readonly code: "wordsAtRisk"; readonly risk: Risk; readonly beyondMm: number }
  | { readonly code: "faceAtRisk"; readonly risk: Risk; readonly faces: number }
  | { readonly code: "faceCropped"; readonly faces: number }
  | { readonly code: "focusCut" }
  | { readonly code: "thinMargin"; readonly marginMm: number; readonly edges: readonly Edge[] }
  | { readonly code: "thinBorder"; readonly leftMm: number }
  | { readonly code: "wordsHidden"; readonly words: number }
  | { readonly code: "wordsSmall"; readonly sizePt: number; readonly leastPt: number }
  | { readonly code: "wordsFaint"; readonly contrast: number }
  | { readonly code: "lettersMissing"; readonly letters: readonly string[] }
  | { readonly code: "fontMissing"; readonly face: string }
  | { readonly code: "originalGone"; readonly photoName: string }
  | { readonly code: "beyondSrgb"; readonly share: number }
  | { readonly code: "blankPage" }
  | { readonly code: "pageLeftOut" }
  | { readonly code: "photoTwice"; readonly together: boolean; readonly times: number }
  | { readonly code: "alikeTogether" }
  | { readonly code: "starredLeftOut"; readonly photoIds: readonly string[] }
  | {
      readonly code: "eventLeftOut";
      readonly from: string;
      readonly photoIds: readonly string[];
      readonly name: string;
    }
  | { readonly code: "outOfTime"; readonly before: string; readonly after: string }
  | {
      readonly code: "pageCount";
      readonly pages: number;
      readonly least: number;
      readonly most: number;
      readonly step: number;
      /** The nearest number above that the lab binds; missing where there is none. */
      readonly next?: number;
    }
  | { readonly code: "coverMissing" }
  | { readonly code: "coverOfOtherSize"; readonly isMm: number; readonly needsMm: number }
  | { readonly code: "spineTooNarrow"; readonly spineMm: number; readonly leastMm: number }
  | { readonly code: "fileTooLarge"; readonly estimatedMb: number; readonly mostMb: number }
  | { readonly code: "nameTooLong"; readonly name: string; readonly most: number }
  | { readonly code: "labChanged"; readonly what: readonly LabPart[] };

export const labParts = ["sizes", "bleed", "safe", "ppi", "file", "book"] as const;
export type LabPart = (typeof labParts)[number];

export type FindingCode = Detail["code"];

/** What a click can put right. */
const fixCodes = [
  "takeAway",
  "useSharper",
  "sharperPlace",
  "printSmaller",
  "cover",
  "reachBleed",
  "moveInside",
  "insetWords",
  "frameByFocus",
  "fullBleed",
  "widerMargin",
  "dropBorder",
  "shrinkWords",
  "enlargeWords",
  "readableInk",
  "keepBlank",
  "addPages",
  "makeCover",
  "clearSpine",
] as const;
export type FixCode = (typeof fixCodes)[number];

/** What a rule says; who asked adds which place it is and in what state. */
export type Found = Detail & {
  readonly severity: Severity;
  /** Nothing where it concerns the work as a whole. */
  readonly spots: readonly Spot[];
  /** The best first. */
  readonly fixes: readonly FixCode[];
};

export type Finding = Found & {
  /** The same place with the same trouble has the same key. */
  readonly key: string;
  /** Changes with anything that the finding rests on. */
  readonly mark: string;
};

export type FindingOf<C extends FindingCode> = Extract<Finding, { code: C }>;

/** Of the pages that a finding lies on, those tiles that it speaks of; of the page as a whole where it names none. */
export function restsOn(found: Found, pageOf: (pageId: string) => PlacedPage | undefined): unknown {
  return found.spots.map((s) => {
    const page = pageOf(s.pageId);
    if (!page) return s;
    const tiles = page.tiles.filter((t) => s.tileIds.includes(t.id));
    return tiles.length > 0 ? [tiles.map(tileInMarks), page.look] : pageInMarks(page);
  });
}

/** Facts go into marks under the names that they had when the first marks were kept; under others, all that was accepted would open again. */
const namesInMarks: Readonly<Record<string, string>> = { risk: "peril" };

export function keyed(found: Found, restsOn: unknown): Finding {
  const where = found.spots.map((s) => `${s.pageId}:${s.tileIds.join("+")}`).join(",");
  const { spots, fixes, severity, ...detail } = found;
  const marked = Object.fromEntries(Object.entries(detail).map(([name, v]) => [namesInMarks[name] ?? name, v]));
  return { ...found, key: `${found.code} ${where}`, mark: fingerprint(JSON.stringify([marked, restsOn])) };
}

/** FNV-1a twice, from two starts: 64 bits are plenty to tell one state of a place from another. */
function fingerprint(text: string): string {
  let [a, b] = [0x811c9dc5, 0x01234567];
  for (let i = 0; i < text.length; i += 1) {
    const c = text.charCodeAt(i);
    a = Math.imul(a ^ c, 0x01000193);
    b = Math.imul(b ^ c, 0x01000193) + 0x9e37;
  }
  return (a >>> 0).toString(16).padStart(8, "0") + (b >>> 0).toString(16).padStart(8, "0");
}
