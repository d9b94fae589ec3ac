import { firstOnRight, holdsAnything, type Page, type Project, pageCount, photosOf, sideAt } from "#core/document";
import type { Photo } from "#core/photo";
import { findEvents, type NamedSpan, wallMs } from "#core/photo";
import type { PacePhoto, Slot } from "./plan.ts";

/** Photos as pacing sees them; hidden ones and those under another in a pile are not among them. */
export function pacePhotos(
  photos: readonly Photo[],
  spans: readonly NamedSpan[],
  piles: readonly (readonly string[])[],
): PacePhoto[] {
  const under = new Set(piles.flatMap((pile) => pile.slice(1)));
  const events = findEvents(photos, spans);
  const eventOf = new Map(events.flatMap((e, i) => e.photoIds.map((id) => [id, i] as const)));
  return photos
    .filter((p) => !p.hidden && !p.removed && !under.has(p.id))
    .map((p) => ({
      id: p.id,
      aspect: p.widthPx / p.heightPx,
      atMs: wallMs(p.takenAt),
      event: eventOf.get(p.id) ?? 0,
      stars: p.stars,
      faces: (p.focus?.faces ?? []).reduce((sum, f) => sum + f.w * f.h, 0),
    }));
}

/** Pages that stay as they are: made by hand, locked by having anything on them, or bare on purpose. */
export const isHeld = (page: Page, style: Project["style"]): boolean =>
  page.blank || (!page.paced && holdsAnything(page, style));

/** A row of pages as pacing finds it: what stays, and runs of pages to be filled between. */
export interface PaceRow {
  /** In order: a page that stays, or so many pages to fill. */
  readonly parts: readonly (Page | { readonly fill: number })[];
  readonly slots: readonly Slot[];
  /** On pages that stay. */
  readonly used: ReadonlySet<string>;
}

/**
 * The pages of a book from `fromPageId` on (all, where it is missing), to hold `count` pages in all: held ones stay in their
 * order, all others are to be filled anew.
 */
export function paceRow(project: Project, count: number, fromPageId?: string): PaceRow {
  const first = firstOnRight(project);
  const start =
    fromPageId === undefined
      ? 0
      : Math.max(
          0,
          project.pages.findIndex((p) => p.id === fromPageId),
        );
  const before = project.pages.slice(0, start);
  const rest = project.pages.slice(start);
  const held = rest.filter((p) => isHeld(p, project.style));
  let spare = Math.max(0, count - pageCount(before) - pageCount(held));
  const parts: (Page | { fill: number })[] = [...before];
  let at = pageCount(before);
  let wanted = 0;
  const fill = (n: number) => {
    if (n > 0) parts.push({ fill: n });
    at += n;
    spare -= n;
    wanted = 0;
  };
  for (const page of rest) {
    if (!isHeld(page, project.style)) {
      wanted += page.span;
      continue;
    }
    let room = Math.min(wanted, spare);
    // A spread that stays has to begin on the left.
    if (page.span === 2 && sideAt(at + room, first) === "right") room += room < spare ? 1 : -1;
    fill(room);
    parts.push(page);
    at += page.span;
  }
  fill(spare);
  const used = new Set([...before, ...held].flatMap((p) => photosOf(p, project.style)));
  return { parts, slots: slotsOf(parts, first), used };
}

function slotsOf(parts: PaceRow["parts"], first: boolean): Slot[] {
  const slots: Slot[] = [];
  let at = 0;
  for (const part of parts) {
    if (!("fill" in part)) {
      at += part.span;
      continue;
    }
    for (let k = 0; k < part.fill; k += 1) {
      const side = sideAt(at, first);
      slots.push({ side, faced: side === "left" && k + 1 < part.fill });
      at += 1;
    }
  }
  return slots;
}

/** The row with its gaps filled by pages in order. */
export function withFilled(row: PaceRow, pages: readonly Page[]): Page[] {
  const left = [...pages];
  return row.parts.flatMap((part) => {
    if (!("fill" in part)) return [part];
    const taken: Page[] = [];
    for (let n = part.fill; n > 0 && left.length > 0; ) {
      const page = left.shift()!;
      taken.push(page);
      n -= page.span;
    }
    return taken;
  });
}
