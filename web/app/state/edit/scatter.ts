import { mainGroup, type Scatter } from "#core/document";
import { firstScatter, type ScatteredPhoto, scatteredTiles, scatterTask, withScattered } from "#core/edit";
import { photoShape } from "#core/photo";
import { tilings as words } from "../../../text/index.ts";
import { notices } from "../../notices/notices.ts";
import type { Services } from "../../services.ts";
import { openPage, openPlaced, type ProjectSession } from "../session/project-session.ts";
import { keep } from "./tree-gestures.ts";

type Deps = Pick<Services, "arranging" | "library" | "newId">;

/** Photos as scattering has to know them. */
export const scatteredPhotos =
  ({ library }: Pick<Services, "library">) =>
  (photoId: string): ScatteredPhoto | undefined => {
    const photo = library.state.getState().byId.get(photoId);
    return photo && { ...photoShape(photo), caption: photo.caption };
  };

/** The prints of the open page scattered again, by other settings, or around those that are held; kept unless the page changed meanwhile. */
export async function scatterAgain(
  services: Deps,
  session: ProjectSession,
  next: Partial<Scatter>,
  holds: ReadonlySet<string> = new Set(),
): Promise<void> {
  const before = openPage(session.state.getState());
  const on = openPlaced(session.state.getState());
  const groupId = before.scatter ? undefined : mainGroup(before)?.id;
  const scatter = { ...firstScatter(on), ...before.scatter, ...next };
  const photoOf = scatteredPhotos(services);
  const tiles = scatteredTiles(before, groupId);
  const lying = await services.arranging.run("scatter", scatterTask(on, tiles, scatter, photoOf, holds));
  if (openPage(session.state.getState()) !== before) {
    notices.create({ title: words.changedMeanwhile, type: "info" });
    return;
  }
  const style = session.state.getState().project.words.caption;
  keep(session, "scattered", tiles.length, (now) =>
    withScattered(now, lying, { groupId, scatter, photoOf, style, newId: services.newId }),
  );
}
