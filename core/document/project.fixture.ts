import fc from "fast-check";
import type { PageFormat } from "#core/lab";
import {
  barePage,
  type Change,
  commit,
  copyPage,
  type Editing,
  freeTiles,
  groupsOf,
  layPhotos,
  layTree,
  newFreeTile,
  newProject,
  noHistory,
  type Page,
  type PlacedPage,
  type Project,
  placed,
  withFree,
} from "./index.ts";

export const squareFormat: PageFormat = {
  name: "12 × 12 in",
  widthMm: 304.8,
  heightMm: 304.8,
  bleedMm: 3,
  safeMm: 5,
  ppi: 300,
  leastPpi: 150,
};

export function counter(prefix: string): () => string {
  let n = 0;
  return () => {
    n += 1;
    return `${prefix}${n}`;
  };
}

/** A work after those of some changes that fit, one gesture after the other. */
export function applied(start: Project, changes: readonly Change[]): Project {
  let now: Editing = { project: start, history: noHistory };
  for (const change of changes) {
    const gesture = { name: { code: "arranged", count: 1 }, changes: [change], at: "", byProgram: true } as const;
    const next = commit(now, gesture);
    if (next.ok) now = next.value;
  }
  return now.project;
}

/** The first page of a work where it stands. */
export const firstPlaced = (project: Project): PlacedPage => placed(project, project.pages[0]!);

/** A collage of photos with these aspects, called p0, p1, … */
export function collage(aspects: readonly number[], asked: { rows?: number; columns?: number } = {}): Project {
  const empty = newProject(
    { name: "A year", unit: "in", lab: null, format: squareFormat },
    { newId: counter("id"), at: "2026-01-01T00:00:00.000Z" },
  );
  const photos = aspects.map((aspect, i) => ({ id: `p${i}`, aspect }));
  const laid = layPhotos(firstPlaced(empty), { photos, asked, newId: counter("t") });
  if (!laid.ok) throw new Error(laid.code);
  return { ...empty, pages: [laid.value.page] };
}

/** A page with a tree of three photos in front of whose arrangement words and a turned photo lie. */
function mixedPage(project: Project): Page {
  const bare = barePage(counter("m"));
  const photos = [1.5, 0.8, 1].map((aspect, i) => ({ id: `p${i}`, aspect }));
  const laid = layTree(placed(project, bare), { photos, seed: 1, newId: counter("mt") });
  if (!laid.ok) throw new Error(laid.code);
  const frame = { centre: { x: 100, y: 100 }, width: 60, height: 20, turn: 15 };
  const one = withFree(laid.value.page, newFreeTile(frame, { kind: "colour", colour: "#102030" }, counter("free")));
  return withFree(one, newFreeTile({ ...frame, turn: 0 }, { kind: "empty" }, counter("over")));
}

/** A work of two pages, one of them with all that can lie on a page. */
export function mixedProject(): Project {
  const one = collage([1.5, 0.7, 1, 2.2, 1.3, 0.8, 1.5]);
  return { ...one, pages: [...one.pages, mixedPage(one)] };
}

const length = fc.double({ min: 0, max: 60, noNaN: true });
const share = fc.double({ min: 0, max: 1, noNaN: true });
const colour = fc.constantFrom("#ffffff", "#102030", "#b2472a");
const border = fc.record({ widthMm: length, colour });

const filling = fc.oneof(
  fc.constant({ kind: "empty" } as const),
  fc.record({
    kind: fc.constant("photo" as const),
    view: fc.record({
      photoId: fc.constantFrom("p0", "p3", "p9"),
      zoom: fc.double({ min: 1, max: 9, noNaN: true }),
      centre: fc.record({ x: share, y: share }),
      turn: fc.integer({ min: -90, max: 90 }),
      flip: fc.boolean(),
      byHand: fc.boolean(),
      whole: fc.boolean(),
      behind: fc.constantFrom(null, "#102030"),
    }),
  }),
);

/** Some of these fields set, and some of them taken away. */
const patch = <T extends object>(fields: { readonly [K in keyof T]: fc.Arbitrary<T[K]> }) =>
  fc
    .record({
      set: fc.record(fields as { [K in keyof T]: fc.Arbitrary<T[K]> }, { requiredKeys: [] }),
      gone: fc.subarray(Object.keys(fields)),
    })
    .map(({ set, gone }) => ({ set, unset: gone.filter((k) => !(k in set) && k !== "filling" && k !== "frame") }));

/** Any change at all, most of which fit a work of two pages with all that can lie on one. */
export const anyChange: fc.Arbitrary<Change> = fc.constant(mixedProject()).chain((project) => {
  const page = project.pages[1]!;
  const pageId = page.id;
  const group = groupsOf(page)[0]!;
  const frees = freeTiles(page);
  const others = [copyPage(page, counter("c")), barePage(counter("b"))];
  const anyPageId = fc.constantFrom(...project.pages.map((p) => p.id), ...others.map((p) => p.id), "gone");
  const onPage = fc.constantFrom(pageId, pageId, project.pages[0]!.id, "gone");
  const tileId = fc.constantFrom(...group.tiles.map((t) => t.id), ...frees.map((t) => t.id), "gone");
  const pieceId = fc.constantFrom(group.id, ...frees.map((t) => t.id), "gone");
  const frame = fc.record({
    centre: fc.record({ x: length, y: length }),
    width: length,
    height: length,
    turn: fc.integer({ min: -180, max: 180 }),
  });
  const within = fc.constantFrom({}, { groupId: group.id });
  const margin = fc.record({ top: length, right: length, bottom: length, left: length });
  return fc.oneof(
    fc.record({
      type: fc.constant("setTiles" as const),
      pageId: onPage,
      items: fc.array(
        fc
          .tuple(tileId, patch({ filling, cornerMm: length, border }))
          .map(([id, p]) => ({ id, ...p }) as { id: string; set: object }),
        { minLength: 1, maxLength: 3 },
      ),
    }),
    fc.record({
      type: fc.constant("setTiles" as const),
      pageId: fc.constant(pageId),
      items: fc.array(fc.record({ id: fc.constantFrom(...frees.map((t) => t.id)), set: fc.record({ frame }) }), {
        maxLength: 2,
      }),
    }),
    fc.record({
      type: fc.constant("setGroups" as const),
      pageId: fc.constant(pageId),
      items: fc.array(
        fc
          .tuple(fc.constantFrom(group.id, "gone"), patch({ gapMm: length, cornerMm: length, border }))
          .map(([id, p]) => ({ id, ...p }) as { id: string; set: object }),
        { maxLength: 2 },
      ),
    }),
    fc.record({
      type: fc.constant("setPages" as const),
      items: fc.array(
        fc
          .tuple(anyPageId, patch({ gapMm: length, margin, cornerMm: length, border, background: colour }))
          .map(([id, p]) => ({ id, ...p }) as { id: string; set: object }),
        { maxLength: 3 },
      ),
    }),
    fc
      .tuple(
        fc.array(fc.tuple(fc.constantFrom("n1", "n2", "n3"), fc.integer({ min: -1, max: 5 })), { maxLength: 2 }),
        frame,
      )
      .map(([all, at]) => ({
        type: "insertPieces" as const,
        pageId,
        pieces: all.map(([id, place]) => ({ piece: newFreeTile(at, { kind: "empty" }, () => id), at: place })),
      })),
    fc.record({
      type: fc.constant("removePieces" as const),
      pageId: fc.constant(pageId),
      ids: fc.uniqueArray(pieceId, { maxLength: 2 }),
    }),
    fc.tuple(within, fc.integer({ min: 0, max: 3 })).map(([where, by]) => {
      const all = ("groupId" in where ? group.tiles : page.pieces).map((p) => p.id);
      return { type: "orderPieces" as const, pageId, ...where, ids: [...all.slice(by), ...all.slice(0, by)] };
    }),
    fc.record({
      type: fc.constant("insertPages" as const),
      pages: fc.array(fc.record({ page: fc.constantFrom(...others), at: fc.integer({ min: -1, max: 4 }) }), {
        maxLength: 2,
      }),
    }),
    fc.record({ type: fc.constant("removePages" as const), pageIds: fc.array(anyPageId, { maxLength: 2 }) }),
    fc.record({
      type: fc.constant("movePages" as const),
      pageIds: fc.array(anyPageId, { maxLength: 2 }),
      to: fc.integer({ min: -1, max: 4 }),
    }),
    fc.record({ type: fc.constant("setProject" as const), name: fc.string({ maxLength: 20 }) }),
    fc.record({ type: fc.constant("setProject" as const), unit: fc.constantFrom("mm" as const, "px" as const) }),
    fc.constant({ type: "replacePage" as const, page: { ...page, pieces: page.pieces.slice(0, 1) } }),
    fc.constant({ type: "replaceAll" as const, pages: others }),
  ) as fc.Arbitrary<Change>;
});
