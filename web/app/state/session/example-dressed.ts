import { newOrnament, newPaper, type OrnamentName } from "#core/artwork";
import {
  autoFramed,
  type Border,
  barePage,
  drawnTile,
  type FreeTile,
  frameRect,
  newFreeTile,
  newGroup,
  newTile,
  noShadow,
  type Page,
  type PlacedPage,
  type Project,
  placePage,
  type Shadow,
  type Words,
  withFree,
  withGroup,
} from "#core/document";
import { type CalmMap, fadeAround, newWords } from "#core/edit";
import { allSides } from "#core/geometry";
import { aspectOf, type Photo, photoShape } from "#core/photo";
import { example } from "../../../text/index.ts";

type NewId = () => string;
interface Lies {
  readonly x: number;
  readonly y: number;
  readonly w: number;
  readonly h: number;
  readonly turn?: number;
}

const lying: Shadow = { ...noShadow, falls: "under", strength: 0.4 };
const flat: Shadow = { ...lying, strength: 0.3, liftMm: 0.5 };
const white: Border = { widthMm: 3, colour: "#fffdf8" };

function ornament(name: OrnamentName, { x, y, w, h, turn = 0 }: Lies, shadow: Shadow, newId: NewId): FreeTile {
  const filling = { kind: "ornament", ornament: newOrnament(name, example.palette) } as const;
  return { ...newFreeTile({ centre: { x, y }, width: w, height: h, turn }, filling, newId), shadow };
}

/** A page as somebody dresses it who likes to: patterned paper, prints with white edges under tape, a row of pennants, a postmark. */
export function dressedPage(project: Project, photos: readonly Photo[], newId: NewId): Page {
  const tiles = photos.slice(0, 4).map((p) => newTile(p.id, newId));
  const row = (from: number) =>
    tiles.slice(from, from + 2).map((t, i) => ({ tileId: t.id, aspect: aspectOf(photos[from + i]!) }));
  const paper = { ...newPaper("water-map", example.palette), scale: 1.4, strength: 0.9 };
  const own = {
    paper,
    border: white,
    shadow: lying,
    gapMm: 14,
    margin: { top: 62, right: 30, bottom: 34, left: 30 },
  };
  const page = withGroup(
    { ...barePage(newId), ...own },
    newGroup({ kind: "rows", rows: [row(0), row(2)] }, tiles, newId),
  );
  const on = placePage(page, project.format, project.style);
  const prints = on.tiles.map((t) => frameRect(t.frame));
  const taped = prints.flatMap((r, i) => {
    const at = i % 2 === 0 ? { x: r.x + 4, turn: -38 } : { x: r.x + r.w - 4, turn: 38 };
    return [ornament(i === 1 ? "tape-dots" : "tape-stripes", { ...at, y: r.y + 4, w: 34, h: 11 }, flat, newId)];
  });
  const { widthMm } = project.format;
  const over = [
    ornament("pennant-row", { x: widthMm / 2, y: 32, w: 220, h: 42 }, lying, newId),
    ...taped,
    ornament("twig-fern", { x: 26, y: 256, w: 34, h: 60, turn: -14 }, lying, newId),
    ornament("stamp-sun", { x: widthMm - 42, y: 262, w: 40, h: 32, turn: 6 }, lying, newId),
    ornament("stamp-cancel", { x: widthMm - 66, y: 266, w: 70, h: 37, turn: -9 }, noShadow, newId),
  ];
  return over.reduce(withFree, page);
}

/** As calm all over: nothing is known of the pixels here, and faces are kept off in any case. */
const evenlyCalm: CalmMap = { w: 1, h: 1, detail: Float32Array.of(0.16) };

/** Three photos that fade into a page of their own colour and into each other, and a print with a border of its own over them. */
export function fadedPage(project: Project, photos: readonly Photo[], newId: NewId): Page {
  const { format } = project;
  const places: readonly Lies[] = [
    { x: 150, y: 88, w: 276, h: 156 },
    { x: 98, y: 203, w: 172, h: 136 },
    { x: 208, y: 206, w: 160, h: 132 },
  ];
  const tiles = places.flatMap(({ x, y, w, h }, i): FreeTile[] => {
    const photo = photos[i];
    if (!photo) return [];
    const frame = { centre: { x, y }, width: w, height: h, turn: 0 };
    const view = autoFramed(photo.id);
    const bare = drawnTile("bare", frame, { kind: "photo", view });
    const fade = fadeAround(bare, photoShape(photo), evenlyCalm, format);
    const faded = fade.length > 0 ? { ...view, fade } : view;
    return [newFreeTile(frame, { kind: "photo", view: faded }, newId)];
  });
  const own = { background: "#e9e4d8", margin: allSides(14) };
  const page = tiles.reduce(withFree, { ...barePage(newId), ...own });
  const words = newWords(format, "title", { ...project.words.title, sizePt: 26, colour: "#2f4a4a" }, newId);
  const title: FreeTile = {
    ...words,
    frame: { centre: { x: 150, y: 281 }, width: 250, height: 16, turn: 0 },
    filling: { ...(words.filling as Words), text: example.fadedTitle },
  };
  return withFree(page, title);
}

/** Each print of a page held by corners of card. */
export function heldByCorners(on: PlacedPage, newId: NewId): Page {
  const size = 13;
  const inward = size / 2 - 2;
  const corners = on.tiles.flatMap(({ frame }) => {
    const { x, y, w, h } = frameRect(frame);
    return (
      [
        [x, y, 0],
        [x + w, y, 90],
        [x + w, y + h, 180],
        [x, y + h, 270],
      ] as const
    ).map(([cx, cy, turn]) => {
      const at = { x: cx + (cx === x ? inward : -inward), y: cy + (cy === y ? inward : -inward) };
      const tile = ornament("corner-plain", { ...at, w: size, h: size, turn }, flat, newId);
      const filling = {
        kind: "ornament",
        ornament: { design: "corner-plain", colours: ["#1f1a15"], ownColours: true },
      } as const;
      return { ...tile, filling };
    });
  });
  return corners.reduce(withFree, on.page);
}

/** Tiles of paper between photos, as one sheet that lies under all of them. */
export function papersBetween(project: Project, photos: readonly Photo[], newId: NewId): Page {
  const sheet = { ...newPaper("gingham", example.palette), scale: 1.6, turn: 45, runsOn: true as const };
  const tiles = Array.from({ length: 9 }, (_, i) => {
    const photo = i % 2 === 0 ? photos[i / 2] : undefined;
    return photo
      ? newTile(photo.id, newId)
      : { ...newTile(undefined, newId), filling: { kind: "paper", paper: sheet } as const };
  });
  const third = [1 / 3, 1 / 3, 1 / 3];
  const cells = tiles.map((t, i) => ({ tileId: t.id, column: i % 3, row: Math.floor(i / 3), columns: 1, rows: 1 }));
  const grid = { kind: "grid", columns: third, rows: third, cells, asked: { rows: 3, columns: 3 } } as const;
  const page = withGroup(
    { ...barePage(newId), cornerMm: 6, gapMm: 6, margin: allSides(22), background: "#f6f1e7" },
    newGroup(grid, tiles, newId),
  );
  const heart = ornament("heart", { x: project.format.widthMm / 2, y: 287.5, w: 11, h: 11 }, noShadow, newId);
  return withFree(page, heart);
}
