import { firstLanguage, firstWordStyles } from "#core/words";
import { tileIdsOf } from "../../arrangements/index.ts";
import { dressOf, ownLookFor } from "../../page/look.ts";
import { newGroup, wholeRoom } from "../../page/new-tile.ts";
import type { Arrangement, FreeTile, Group, Look, Page, Piece, Tile } from "../../page/page.ts";
import { firstLight, noShadow, noSoft } from "../../page/plain-dress.ts";
import type { Project } from "../../project/project.ts";
import type { FirstPage, FirstProject, FirstTile } from "./schema.ts";

/**
 * A project of the first form in the form of today. Frames of arranged tiles are left away, since they follow from the arrangement; what
 * is as it would be inherited is left unsaid. It prints the same.
 */
export function fromFirstForm({ cover, pockets, pages, style: was, ...rest }: FirstProject): Project {
  const style = lookOfToday(was);
  return {
    ...rest,
    schema: 2,
    words: { ...firstWordStyles, ...rest.words },
    language: firstLanguage,
    tones: [],
    styles: [],
    style,
    pages: pages.map((p) => pageFromFirstForm(p, style)),
    cover: cover && pageFromFirstForm(cover.page, style),
    spine: cover?.spine ?? null,
    pockets: pockets && pocketsOf(pockets),
  };
}

function pocketsOf({ lessMm, ...rest }: NonNullable<FirstProject["pockets"]>): Project["pockets"] {
  return { ...rest, cardClearanceMm: lessMm };
}

const lookOfToday = (look: FirstPage["look"]): Look => ({
  shadow: noShadow,
  soft: noSoft,
  light: firstLight,
  ...look,
});

export function pageFromFirstForm(was: FirstPage, style: Look): Page {
  const { id, tiles, over, leaves, blank, paced, plain } = was;
  const look = lookOfToday(was.look);
  const { arrangement: said, first } = arrangementOf(was.arrangement);
  const here = new Set(tiles.map((t) => t.id));
  // One that speaks of tiles that are not there cannot be solved; they stay where they lie.
  const arrangement = said && tileIdsOf(said).every((t) => here.has(t)) ? said : undefined;
  const placed = new Set(arrangement ? tileIdsOf(arrangement) : []);
  const group: Group | undefined = arrangement && {
    ...newGroup(arrangement, [], () => `g-${id}`, wholeRoom),
    ...(first ? { first } : {}),
  };
  const arranged = tiles.filter((t) => placed.has(t.id)).map((t) => tileOf(t, group, look));
  const free = (t: FirstTile): FreeTile => ({ kind: "tile", ...tileOf(t, undefined, look), frame: t.frame });
  const pieces: Piece[] = tiles.filter((t) => !placed.has(t.id)).map(free);
  if (group && arranged.length > 0) pieces.push({ ...group, tiles: arranged });
  return { id, pieces: [...pieces, ...over.map(free)], span: leaves, blank, paced, plain, ...ownLookFor(look, style) };
}

function arrangementOf(was: FirstPage["arrangement"]): {
  readonly arrangement?: Arrangement;
  readonly first?: Group["first"];
} {
  if (!was) return {};
  if (was.kind === "grid") return { arrangement: was };
  if (was.kind === "pockets") {
    const { lessMm, ...rest } = was;
    return { arrangement: { ...rest, cardClearanceMm: lessMm } };
  }
  const { first, ...arrangement } = was;
  return { arrangement, ...(same(first, arrangement.tree) ? {} : { first }) };
}

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

function tileOf({ id, filling, outline, edge, locked }: FirstTile, group: Group | undefined, look: Look): Tile {
  const bare: Tile = { id, filling };
  const inherited = dressOf(bare, group, look);
  return {
    ...bare,
    ...(outline.cornerMm === inherited.cornerMm ? {} : { cornerMm: outline.cornerMm }),
    ...(same(edge.border, inherited.border) ? {} : { border: edge.border }),
    ...(edge.bleedMm === undefined ? {} : { cardBleedMm: edge.bleedMm }),
    ...(locked ? { lock: { place: true } } : {}),
  };
}
