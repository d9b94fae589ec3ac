import { linearOfByte } from "#core/colour";
import {
  drawnPage,
  type FreeTile,
  findTile,
  isFree,
  type Page,
  type PlacedPage,
  placeAgain,
  removeTiles,
  type Tile,
  withoutFree,
} from "#core/document";
import { keepOff, type PageLight, roomsForWords, type WordPlace, type WordsRoom } from "#core/edit";
import { scaling } from "#core/geometry";
import { type PhotoStep, type SceneFacts, scene, withoutBorder } from "#core/scene";
import { paintScene } from "../../../painters/canvas.ts";
import type { Services } from "../../services.ts";
import { openPage, openPlaced, type ProjectSession } from "../session/project-session.ts";

const longPx = 120;

/** The same for words that are on the page, as they are at this moment. */
export function roomsOf(
  deps: Pick<Services, "bitmaps" | "fonts">,
  session: ProjectSession,
  tileId: string,
  facts: SceneFacts,
): readonly WordsRoom[] {
  const tile = findTile(openPage(session.state.getState()), tileId);
  return tile ? wordRooms(deps, session, tile, facts) : [];
}

/** Where words could stand on the open page, the best first; their tile need not be on it. */
export function wordRooms(
  deps: Pick<Services, "bitmaps" | "fonts">,
  session: ProjectSession,
  tile: FreeTile | Tile,
  facts: SceneFacts,
): readonly WordsRoom[] {
  const on = openPlaced(session.state.getState());
  const { project } = session.state.getState();
  const bare = placeAgain(on, withoutTile(on, tile.id));
  const drawn = withoutBorder(drawnPage(project, bare.page, (id) => facts.photo(id)?.takenAt));
  return roomsForWords({
    on,
    tile,
    facts,
    light: lightOf(deps, drawn, facts),
    keepOff: keepOff(bare, (id) => facts.photo(id)),
  });
}

const withoutTile = (on: PlacedPage, id: string): Page =>
  isFree(on.page, id) ? withoutFree(on.page, [id]) : removeTiles(on, [id]);

/** A page painted small. */
function lightOf(
  { bitmaps, fonts }: Pick<Services, "bitmaps" | "fonts">,
  on: PlacedPage,
  facts: SceneFacts,
): PageLight | undefined {
  const { widthMm, heightMm } = on.format;
  const k = longPx / Math.max(widthMm, heightMm);
  const [w, h] = [Math.max(2, Math.round(widthMm * k)), Math.max(2, Math.round(heightMm * k))];
  const ctx = new OffscreenCanvas(w, h).getContext("2d", { alpha: false, willReadFrequently: true });
  if (!ctx) return undefined;
  const from = {
    picture: ({ photoId, tone }: Pick<PhotoStep, "photoId" | "tone">) => bitmaps.get(photoId, longPx, tone),
    face: (key: string) => fonts.face(key),
  };
  paintScene(ctx, scene(on, facts), scaling(w / widthMm, h / heightMm), from, "medium");
  const { data } = ctx.getImageData(0, 0, w, h);
  const light = Float32Array.from(
    { length: w * h },
    (_, i) =>
      0.2126 * linearOfByte[data[4 * i]!]! +
      0.7152 * linearOfByte[data[4 * i + 1]!]! +
      0.0722 * linearOfByte[data[4 * i + 2]!]!,
  );
  return { w, h, light };
}

/** Puts words there. The place is looked for anew: what was shown may be older than what is written by now. */
export function takeRoom(
  deps: Pick<Services, "bitmaps" | "fonts">,
  session: ProjectSession,
  tileId: string,
  place: WordPlace,
  facts: SceneFacts,
): void {
  const room = roomsOf(deps, session, tileId, facts).find((r) => r.place === place);
  if (room) session.commit({ code: "movedWords", count: 1 }, [{ type: "replacePage", page: room.page }]);
}
