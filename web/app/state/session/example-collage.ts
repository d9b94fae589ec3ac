import {
  autoFramed,
  barePage,
  newGroup,
  newProject,
  newTile,
  noShadow,
  type Page,
  type PlacedPage,
  type Project,
  placeAgain,
  placePage,
  type Shadow,
  withGroup,
} from "#core/document";
import {
  firstScatter,
  inTone,
  lettersInTiles,
  runThrough,
  scatteredTiles,
  scatterTask,
  tiled,
  withScattered,
  withWordOfTiles,
  wordOfTiles,
} from "#core/edit";
import { allSides } from "#core/geometry";
import type { PageFormat } from "#core/lab";
import { aspectOf, type Photo, photoShape } from "#core/photo";
import { namedTones } from "#core/tone";
import { faceKey } from "#core/words";
import { example } from "../../../text/index.ts";
import type { Services } from "../../services.ts";
import { scatteredPhotos } from "../edit/scatter.ts";
import { shapesIn } from "../library/aspects.ts";
import { dressedPage, fadedPage, heldByCorners, papersBetween } from "./example-dressed.ts";
import { greetingPage, storyPage } from "./example-words.ts";

type Deps = Pick<Services, "library" | "arranging" | "newId" | "now" | "fonts">;

const sideMm = 300;
const table = "#5b7553";
/** Of prints that lie on something. */
const shadow: Shadow = { ...noShadow, falls: "under", strength: 0.5 };
const wordFont = "abril-fatface";

/** A page with these photos in one row, for an arrangement to begin from. */
function ofPhotos(
  project: Project,
  photos: readonly Photo[],
  newId: () => string,
  own: Partial<Page> = {},
): PlacedPage {
  const tiles = photos.map((p) => newTile(p.id, newId));
  const row = tiles.map((t, i) => ({ tileId: t.id, aspect: aspectOf(photos[i]!) }));
  const page = withGroup({ ...barePage(newId), ...own }, newGroup({ kind: "rows", rows: [row] }, tiles, newId));
  return placePage(page, project.format, project.style);
}

const groupId = (on: PlacedPage): string => on.groups[0]!.group.id;

/** A collage with a page of each kind: a wall of hexagons, prints on a table, one photo through nine squares, a ring, a word, an old album, a dressed page, papers between photos, photos that fade, and two to be read. */
export async function exampleCollage(services: Deps): Promise<Project> {
  const { newId } = services;
  const { photos, piles } = services.library.state.getState();
  const under = new Set(piles.flatMap((pile) => pile.slice(1)));
  const good = photos.filter((p) => !p.hidden && !under.has(p.id) && p.widthPx > 1000);
  const size = { widthMm: sideMm, heightMm: sideMm, bleedMm: 3, safeMm: 5, ppi: 300, leastPpi: 150 };
  const format: PageFormat = { name: example.collageSize, ...size };
  const project = newProject(
    { name: example.collageName, unit: "mm", lab: null, format },
    { newId, at: services.now() },
  );
  const pattern = (from: number, to: number, name: "hexagons" | "ring"): Page => {
    const on = ofPhotos(project, good.slice(from, to), newId);
    return tiled(groupId(on), { pattern: name, cut: name === "hexagons", sag: 0 }, shapesIn(services))(on);
  };
  const pages = [
    pattern(0, 14, "hexagons"),
    await scatteredPage(services, project, good.slice(14, 26)),
    await windowPage(services, project, good),
    pattern(26, 36, "ring"),
    await wordPage(services, project, good.slice(36, 44)),
    albumPage(services, project, good.slice(44, 50)),
    dressedPage(project, good.slice(50, 54), newId),
    papersBetween(project, good.slice(54, 59), newId),
    fadedPage(project, good.slice(59, 62), newId),
    storyPage(project, good.slice(62, 64), newId),
    greetingPage(project, nightPhoto(good) ?? good[64]!, newId),
  ];
  return { ...project, pages, palette: example.palette };
}

async function scatteredPage(services: Deps, project: Project, photos: readonly Photo[]): Promise<Page> {
  const on = ofPhotos(project, photos, services.newId, { background: table, shadow });
  const photoOf = scatteredPhotos(services);
  const scatter = firstScatter(on);
  const given = { groupId: groupId(on), scatter, photoOf, style: project.words.caption, newId: services.newId };
  const tiles = scatteredTiles(on.page, given.groupId);
  const lying = await services.arranging.run("scatter", scatterTask(on, tiles, scatter, photoOf));
  return withScattered(on, lying, given);
}

/** Nine squares that one photo runs through, with a letter in each corner. */
async function windowPage(services: Deps, project: Project, photos: readonly Photo[]): Promise<Page> {
  const { newId, fonts } = services;
  const seen = photos.toSorted((a, b) => pixels(b) - pixels(a))[0]!;
  const tiles = Array.from({ length: 9 }, () => newTile(undefined, newId));
  const thirds = [1 / 3, 1 / 3, 1 / 3];
  const cells = tiles.map((t, i) => ({ tileId: t.id, column: i % 3, row: Math.floor(i / 3), columns: 1, rows: 1 }));
  const grid = { kind: "grid", columns: thirds, rows: thirds, cells, asked: { rows: 3, columns: 3 } } as const;
  const bare = placePage(withGroup(barePage(newId), newGroup(grid, tiles, newId)), project.format, project.style);
  const ids = tiles.map((t) => t.id);
  const through = placeAgain(bare, runThrough(bare, ids, { id: seen.id, ...photoShape(seen) }, newId));
  const style = { ...project.words.title, font: wordFont };
  const face = await fonts.load(faceKey(style));
  const corners = [0, 2, 6, 8].map((i) => ids[i]!);
  return face ? lettersInTiles(through, corners, example.collageLetters, style, face) : through.page;
}

/** Photos as in an old album: on dark card, in its tones, each with a pale edge, held by corners. */
function albumPage({ newId }: Deps, project: Project, photos: readonly Photo[]): Page {
  const tiles = photos.map((p, i) => {
    const tile = newTile(p.id, newId);
    const tone = albumTones[i % albumTones.length]!;
    return tile.filling.kind === "photo"
      ? { ...tile, filling: { ...tile.filling, view: inTone(tile.filling.view, tone) } }
      : tile;
  });
  const row = (from: number) =>
    tiles.slice(from, from + 2).map((t, i) => ({ tileId: t.id, aspect: aspectOf(photos[from + i]!) }));
  const own = {
    background: "#3b342c",
    border: { widthMm: 2.5, colour: "#f3ead8" },
    gapMm: 9,
    margin: allSides(16),
    shadow: { ...shadow, strength: 0.7, colour: "#000000" },
  };
  const page = withGroup(
    { ...barePage(newId), ...own },
    newGroup({ kind: "rows", rows: [row(0), row(2), row(4)] }, tiles, newId),
  );
  return heldByCorners(placePage(page, project.format, project.style), newId);
}

const albumTones = [
  namedTones.sepia,
  namedTones.grey,
  namedTones.sepia,
  namedTones.deepGrey,
  namedTones.sepia,
  namedTones.sepia,
];

/** Dark, and nobody in it. */
const nightPhoto = (photos: readonly Photo[]): Photo | undefined => photos.find((p) => p.caption === "First night");

/** It fills the page, so it needs many. */
const pixels = (photo: Photo): number => Math.min(photo.widthPx, photo.heightPx);

async function wordPage({ newId, fonts }: Deps, project: Project, photos: readonly Photo[]): Promise<Page> {
  const bare = placePage(barePage(newId), project.format, project.style);
  const face = await fonts.load(faceKey({ ...project.words.title, font: wordFont }));
  if (!face) return bare.page;
  const fillings = photos.map((p) => ({ kind: "photo", view: autoFramed(p.id) }) as const);
  return withWordOfTiles(bare.page, wordOfTiles(bare, example.collageWord, face, fillings, newId));
}
