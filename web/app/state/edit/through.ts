import { givenBack, runThrough, throughApart } from "#core/edit";
import { type Photo, photoShape } from "#core/photo";
import type { Services } from "../../services.ts";
import { aspectsIn } from "../library/aspects.ts";
import type { ProjectSession } from "../session/project-session.ts";
import { keep } from "./tree-gestures.ts";

/** One photo through all of these tiles. */
export const fillThrough = (
  { newId }: Pick<Services, "newId">,
  session: ProjectSession,
  tileIds: readonly string[],
  photo: Photo,
): void =>
  keep(session, "ranThrough", tileIds.length, (on) =>
    runThrough(on, tileIds, { id: photo.id, ...photoShape(photo) }, newId),
  );

/** These tiles show their part of it again. */
export const giveBack = (session: ProjectSession, tileIds: readonly string[]): void =>
  keep(session, "gaveBack", tileIds.length, (on) => givenBack(on.page, tileIds));

/** Each tile with a view of its own from now on. */
export const takeApart = (services: Pick<Services, "library">, session: ProjectSession, id: string): void =>
  keep(session, "tookApart", 1, (on) => throughApart(on, id, aspectsIn(services)));
