import { newOrnament, type OrnamentName } from "#core/artwork";
import { dominantColours } from "#core/colour";
import { photosOf, withFree } from "#core/document";
import {
  accentColour,
  accentPlaces,
  type Balance,
  centreOfWeight,
  keepOff,
  leanOf,
  ornamentLaid,
  weightsOf,
} from "#core/edit";
import type { Point } from "#core/geometry";
import type { SceneFacts } from "#core/scene";
import type { Services } from "../../services.ts";
import { openPlaced, type ProjectSession } from "../session/project-session.ts";
import { paintedSmall } from "./painted-small.ts";

const smallPx = 40;
/** An accent's radius by the page's shorter side. */
const radius = 0.06;
const mostPhotos = 16;

/** The open page painted small, and looked at. */
export function balanceOf(
  deps: Pick<Services, "bitmaps" | "fonts">,
  session: ProjectSession,
  facts: SceneFacts,
): Balance | undefined {
  const { project } = session.state.getState();
  const { page } = openPlaced(session.state.getState());
  const painted = paintedSmall(deps, project, page, facts);
  if (!painted) return undefined;
  const { on, w, h, rgba } = painted;
  const { widthMm, heightMm } = on.format;
  const ground = on.look.background;
  const map = weightsOf(rgba, w, h, ground);
  const centre = centreOfWeight(map);
  const asked = { aspect: widthMm / heightMm, radius, keepOff: keepOff(on, (id) => facts.photo(id)) };
  return {
    ...{ map, centre, lean: leanOf(centre) },
    places: accentPlaces(map, asked),
    accent: accentColour(liveColours(deps.bitmaps, photosOf(page, project.style)), ground),
  };
}

/** The few colours that each photo lives by. */
function liveColours(bitmaps: Services["bitmaps"], photoIds: readonly string[]) {
  const ctx = new OffscreenCanvas(smallPx, smallPx).getContext("2d", { willReadFrequently: true });
  return photoIds.slice(0, mostPhotos).flatMap((photoId) => {
    const picture = bitmaps.get(photoId, smallPx);
    if (!picture || !ctx) return [];
    ctx.drawImage(picture, 0, 0, smallPx, smallPx);
    const { data } = ctx.getImageData(0, 0, smallPx, smallPx);
    return dominantColours(data, 4).map((colour) => ({ colour, photoId }));
  });
}

/** Like accents at these places, as one step. */
export function layAccents(
  { newId, viewState }: Pick<Services, "newId" | "viewState">,
  session: ProjectSession,
  { accent }: Balance,
  design: OrnamentName,
  places: readonly Point[],
): void {
  const on = openPlaced(session.state.getState());
  const { palette } = session.state.getState().project;
  const { widthMm, heightMm } = on.format;
  const made = newOrnament(design, accent ? [on.look.background, accent.colour] : palette);
  const ornament = accent
    ? { ...made, colours: made.colours.map(() => accent.colour), ownColours: true as const }
    : made;
  const side = 2 * radius * Math.min(widthMm, heightMm);
  const tiles = places.map(({ x, y }) => {
    const tile = ornamentLaid(on, ornament, newId, { x: x * widthMm, y: y * heightMm });
    const k = side / Math.max(tile.frame.width, tile.frame.height);
    return { ...tile, frame: { ...tile.frame, width: k * tile.frame.width, height: k * tile.frame.height } };
  });
  const page = tiles.reduce(withFree, on.page);
  const done = session.commit({ code: "laidOrnament", count: tiles.length }, [{ type: "replacePage", page }]);
  if (done.ok) viewState.setState({ tiles: { ids: new Set(tiles.map((t) => t.id)), anchor: tiles[0]?.id } });
}
