import {
  arrangedOn,
  cardBleed,
  findPage,
  findPlaced,
  frameRect,
  holdsPockets,
  type Project,
  placed,
  type StepName,
} from "#core/document";
import type { LabCard } from "#core/lab";
import { aspectOf } from "#core/photo";
import { filledUp, movedPiece, noSheets, type PrintSheets, type SheetPlan, sheetsMark, type Want } from "#core/sheets";
import type { Services } from "../../services.ts";
import type { ProjectSession } from "../session/project-session.ts";

/** What is printed on sheets to be cut apart, each thing done to it as one step. */

type Deps = Pick<Services, "newId">;

export const sheetsOf = (project: Project): PrintSheets => project.sheets ?? noSheets;

const sheetsNow = (session: ProjectSession): PrintSheets => sheetsOf(session.state.getState().project);

export function changeSheets(
  session: ProjectSession,
  change: Partial<PrintSheets>,
  name: StepName = { code: "changedSheets", count: 1 },
  mergeKey?: string,
): void {
  session.commit(name, [{ type: "setProject", sheets: { ...sheetsNow(session), ...change } }], { mergeKey });
}

/** What a want is unless someone says otherwise. */
const usual = { count: 1, bleedMm: 0, spareMm: 0, borderMm: 0, cornerMm: 0, turns: true, fills: false } as const;

/** Sizes of prints that people ask for, in mm. */
export const usualSizes = [
  { id: "2x3", inch: [2, 3] },
  { id: "3x4", inch: [3, 4] },
  { id: "4x4", inch: [4, 4] },
  { id: "4x6", inch: [4, 6] },
  { id: "5x7", inch: [5, 7] },
  { id: "6x8", inch: [6, 8] },
  { id: "8x10", inch: [8, 10] },
] as const;

const sizeKey = (w: Want) => [w.source.from, w.widthMm.toFixed(2), w.heightMm.toFixed(2)].join(" ");

export interface WantGroup {
  readonly key: string;
  readonly wants: readonly Want[];
  readonly count: number;
}

/** Wants of one kind and size together, in the order of the first of each. */
export function wantGroups(wants: readonly Want[]): WantGroup[] {
  const groups = new Map<string, Want[]>();
  for (const w of wants) groups.set(sizeKey(w), [...(groups.get(sizeKey(w)) ?? []), w]);
  return [...groups].map(([key, these]) => ({ key, wants: these, count: these.reduce((sum, w) => sum + w.count, 0) }));
}

/** Every card in a pocket of the work as it is now; what was said of those already wanted stays. */
export function wantInserts({ newId }: Deps, session: ProjectSession): number {
  const { project } = session.state.getState();
  const { wants } = sheetsNow(session);
  const known = new Map(
    wants.flatMap((w) => (w.source.from === "insert" ? [[`${w.source.pageId} ${w.source.tileId}`, w] as const] : [])),
  );
  const cards = project.pages.flatMap((page) =>
    !holdsPockets(page)
      ? []
      : arrangedOn(placed(project, page))
          .filter((t) => t.filling.kind !== "empty")
          .map((tile): Want => {
            const { w, h } = frameRect(tile.frame);
            const before = known.get(`${page.id} ${tile.id}`);
            return {
              ...usual,
              id: newId(),
              bleedMm: cardBleed(project, tile.tile),
              spareMm: project.pockets?.cardClearanceMm ?? 0,
              source: { from: "insert", pageId: page.id, tileId: tile.id },
              ...before,
              widthMm: w,
              heightMm: h,
            };
          }),
  );
  changeSheets(session, { wants: [...cards, ...wants.filter((w) => w.source.from !== "insert")] });
  return cards.length;
}

/** Every page with something on it as a print of its own. */
export function wantPages({ newId }: Deps, session: ProjectSession): void {
  const { project } = session.state.getState();
  const { wants } = sheetsNow(session);
  const known = new Set(wants.flatMap((w) => (w.source.from === "page" ? [w.source.pageId] : [])));
  const more = project.pages
    .filter((p) => p.pieces.length > 0 && !known.has(p.id))
    .map(
      (p): Want => ({
        ...usual,
        id: newId(),
        source: { from: "page", pageId: p.id },
        widthMm: project.format.widthMm * p.span,
        heightMm: project.format.heightMm,
        bleedMm: project.format.bleedMm,
      }),
    );
  changeSheets(session, { wants: [...wants, ...more] });
}

/** Photos by themselves, in a size that lies as each photo does. */
export function wantPhotos(
  { newId, library }: Pick<Services, "newId" | "library">,
  session: ProjectSession,
  photoIds: readonly string[],
  size: { readonly shortMm: number; readonly longMm: number },
): void {
  const { byId } = library.state.getState();
  const more = photoIds.map((photoId): Want => {
    const photo = byId.get(photoId);
    const wide = photo !== undefined && aspectOf(photo) > 1;
    return {
      ...usual,
      id: newId(),
      source: { from: "photo", photoId },
      widthMm: wide ? size.longMm : size.shortMm,
      heightMm: wide ? size.shortMm : size.longMm,
      bleedMm: 2,
    };
  });
  changeSheets(session, { wants: [...sheetsNow(session).wants, ...more] });
}

export function changeWants(session: ProjectSession, ids: ReadonlySet<string>, change: Partial<Want>): void {
  const { wants } = sheetsNow(session);
  changeSheets(session, { wants: wants.map((w) => (ids.has(w.id) ? { ...w, ...change } : w)) });
}

export function dropWants(session: ProjectSession, ids: ReadonlySet<string>): void {
  changeSheets(session, { wants: sheetsNow(session).wants.filter((w) => !ids.has(w.id)) });
}

/** Cards whose pocket has changed since, or that are gone. */
export const outdatedCards = (project: Project): number =>
  sheetsOf(project).wants.filter((w) => {
    if (w.source.from === "photo") return false;
    const page = findPage(project, w.source.pageId);
    if (!page || w.source.from === "page") return !page;
    const tile = findPlaced(placed(project, page), w.source.tileId);
    if (!tile || tile.filling.kind === "empty") return true;
    const { w: width, h: height } = frameRect(tile.frame);
    return Math.abs(width - w.widthMm) > 0.01 || Math.abs(height - w.heightMm) > 0.01;
  }).length;

/** Packs what is wanted, and keeps the plan as one step; shows the best so far meanwhile. */
export async function packNow(
  { arranging }: Pick<Services, "arranging">,
  session: ProjectSession,
  options: { readonly signal: AbortSignal; readonly onSoFar: (share: number, plan: SheetPlan | undefined) => void },
): Promise<void> {
  const sheets = { ...sheetsNow(session), plan: null };
  const plan = await arranging.run(
    "packSheets",
    { sheets, seed: 7 },
    { signal: options.signal, onProgress: options.onSoFar },
  );
  // What was changed while it went on needs another packing; the mark says so.
  changeSheets(session, { plan }, { code: "packedSheets", count: plan.sheets.length });
}

export const isPacked = (sheets: PrintSheets): boolean => sheets.plan?.mark === sheetsMark(sheets);

/** False where there is no room for it on that sheet. */
export function movePiece(session: ProjectSession, item: number, toSheet: number): boolean {
  const moved = movedPiece(sheetsNow(session), item, toSheet);
  if (!moved.ok) return false;
  changeSheets(session, { plan: moved.value });
  return true;
}

/** Fills what is left over with more of what may fill it; how many copies that is. */
export function fillLeftOver(session: ProjectSession): number {
  const sheets = sheetsNow(session);
  const filled = filledUp(sheets);
  const more = filled ? [...filled.more.values()].reduce((a, b) => a + b, 0) : 0;
  if (!filled || more === 0) return 0;
  const wants = sheets.wants.map((w) => ({ ...w, count: w.count + (filled.more.get(w.id) ?? 0) }));
  const next = { ...sheets, wants };
  changeSheets(session, { wants, plan: { ...filled.plan, mark: sheetsMark(next) } });
  return more;
}

/** A lab's sizes, all of those with a price; all where none has one. */
export function fromLab(card: LabCard): PrintSheets["stock"] {
  const priced = card.sizes.filter((s) => s.price !== undefined);
  return { kind: "lab", card, sizeIds: (priced.length > 0 ? priced : card.sizes).map((s) => s.id) };
}

export const ownPrinter: PrintSheets["stock"] = {
  kind: "printer",
  widthMm: 210,
  heightMm: 297,
  marginMm: 4,
  price: 0,
  ppi: 300,
};

export const ownRoll: PrintSheets["stock"] = {
  kind: "roll",
  widthMm: 609.6,
  longestMm: 3000,
  marginMm: 5,
  pricePerMetre: 0,
  ppi: 300,
};
