import { linearOfByte } from "#core/colour";
import {
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
import type { SceneFacts } from "#core/scene";
import type { Services } from "../../services.ts";
import { openPage, openPlaced, type ProjectSession } from "../session/project-session.ts";
import { type PaintedSmall, paintedSmall } from "./painted-small.ts";

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
  const painted = paintedSmall(deps, project, bare.page, facts);
  return roomsForWords({
    on,
    tile,
    facts,
    light: painted && lightOf(painted),
    keepOff: keepOff(bare, (id) => facts.photo(id)),
  });
}

const withoutTile = (on: PlacedPage, id: string): Page =>
  isFree(on.page, id) ? withoutFree(on.page, [id]) : removeTiles(on, [id]);

/** How light each place of it is. */
function lightOf({ w, h, rgba }: PaintedSmall): PageLight {
  const light = Float32Array.from(
    { length: w * h },
    (_, i) =>
      0.2126 * linearOfByte[rgba[4 * i]!]! +
      0.7152 * linearOfByte[rgba[4 * i + 1]!]! +
      0.0722 * linearOfByte[rgba[4 * i + 2]!]!,
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
