import { isArranged, type PlacedPage, type PlacedTile, type Project, pagesBefore } from "#core/document";
import { applyTo, chain, type Matrix, type Point } from "#core/geometry";
import type { ProofLeaf, ProofLine, ProofTile, ProofView, ProofWords } from "#core/notes";
import { markOfPlace, type NoteFacts, sceneMark } from "#core/notes";
import {
  borderedOf,
  laidWords,
  photoPlace,
  type SceneFacts,
  scene,
  seenFrame,
  wordsMatrix,
  wordsOf,
} from "#core/scene";
import { book } from "../../../text/index.ts";
import { type LeafView, type ReadingView, readingViews } from "../session/reading-views.ts";

export interface LaidProof {
  readonly views: readonly ProofView[];
  readonly leaves: readonly { readonly view: LeafView; readonly leaf: Omit<ProofLeaf, "offers"> }[];
}

type Facts = SceneFacts & NoteFacts;

/** Everything of a proof but its pictures. Fonts have to be at hand. */
export function layProof(project: Project, facts: Facts): LaidProof {
  const views = readingViews(project, (id) => facts.photo(id)?.takenAt);
  const before = new Map(project.pages.map((p, i) => [p.id, pagesBefore(project.pages)[i]!]));
  const leaves: { view: LeafView; leaf: Omit<ProofLeaf, "offers"> }[] = [];
  const marks = new Map<PlacedPage, string>();
  const put = (view: LeafView | undefined, opening: ReadingView): number | null => {
    if (!view) return null;
    const mark = marks.get(view.page) ?? sceneMark(scene(view.page, facts), facts.hashOf);
    marks.set(view.page, mark);
    const first = before.get(view.pageId);
    const label = first === undefined ? book.coverWord : String(view === opening.right ? opening.to : opening.from);
    leaves.push({
      view,
      leaf: {
        pageId: view.pageId,
        label,
        box: view.box,
        mark,
        noteMark: markOfPlace(project, { on: "page", pageId: view.pageId }, facts),
        ...shownOn(project, view, facts),
      },
    });
    return leaves.length - 1;
  };
  return { views: views.map((v) => ({ left: put(v.left, v), right: put(v.right, v) })), leaves };
}

/** Tiles and words as they lie on the printed page, within the leaf. */
function shownOn(project: Project, { page, box, pageId }: LeafView, facts: Facts): Pick<ProofLeaf, "tiles" | "words"> {
  const bordered = borderedOf(page)?.place;
  const tiles: ProofTile[] = [];
  const words: ProofWords[] = [];
  for (const tile of page.tiles) {
    const at = bordered ? applyTo(bordered, tile.frame.centre) : tile.frame.centre;
    if (at.x < box.x || at.x > box.x + box.w || tile.filling.kind === "empty") continue;
    const k = bordered ? Math.hypot(bordered.a, bordered.b) : 1;
    const { width, height, turn } = tile.frame;
    const place = { pageId, tileId: tile.id, within: { x: 0, y: 0 }, near: at };
    const mark = markOfPlace(project, { on: "tile", ...place }, facts);
    const photo = photoOn(tile, page, facts, bordered);
    tiles.push({
      id: tile.id,
      centre: at,
      width: width * k,
      height: height * k,
      turn,
      mark,
      ...(photo ? { photo } : {}),
    });
    const said = wordsOn(tile, page, facts, bordered);
    if (!said) continue;
    const wordsMark = markOfPlace(project, { on: "words", ...place, from: 0, to: 0, quote: "" }, facts);
    words.push({ tileId: tile.id, mark: wordsMark, ...said });
  }
  // What lies freely is over the others, and is found first by whoever looks from the end.
  return { tiles: [...tiles.filter((t) => arranged(page, t)), ...tiles.filter((t) => !arranged(page, t))], words };
}

const arranged = (page: PlacedPage, { id }: ProofTile): boolean => page.tiles.some((t) => t.id === id && isArranged(t));

function photoOn(tile: PlacedTile, page: PlacedPage, facts: Facts, bordered: Matrix | undefined): ProofTile["photo"] {
  if (tile.filling.kind !== "photo" || tile.filling.view.repeats) return undefined;
  const { view } = tile.filling;
  const [shape, hash] = [facts.photo(view.photoId), facts.hashOf(view.photoId)];
  if (!shape || hash === undefined) return undefined;
  const placed = photoPlace(tile, view, shape, page.format);
  const { a, b, c, d, e, f } = bordered ? chain(bordered, placed) : placed;
  return { hash, place: [a, b, c, d, e, f] };
}

/** A text with where each of its lines stands; lines that were bent stand where they were before. */
function wordsOn(
  tile: PlacedTile,
  page: PlacedPage,
  facts: Facts,
  bordered: Matrix | undefined,
): Pick<ProofWords, "text" | "lines"> | undefined {
  if (tile.filling.kind !== "words") return undefined;
  const frame = seenFrame(tile.frame, page.format);
  const laid = laidWords(tile.filling, frame, facts);
  if (!laid) return undefined;
  const own = wordsMatrix(frame, laid, tile.filling);
  const m = bordered ? chain(bordered, own) : own;
  const k = Math.hypot(m.a, m.b);
  const lines = laid.lines.map((line): ProofLine => {
    const at: Point = applyTo(m, { x: line.x, y: line.top });
    const turn = (Math.atan2(m.b, m.a) * 180) / Math.PI;
    return { from: line.from, to: line.to, x: at.x, y: at.y, w: line.width * k, h: line.height * k, turn };
  });
  return { text: wordsOf(tile.filling, facts), lines };
}
