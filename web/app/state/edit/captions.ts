import { type Change, findTile, photoIdOf, placed } from "#core/document";
import { type CaptionPlace, captionOf, uncaptioned, withCaptions } from "#core/edit";
import type { SceneFacts } from "#core/scene";
import { faceKey } from "#core/words";
import type { Services } from "../../services.ts";
import { openPage, openPlaced, type ProjectSession } from "../session/project-session.ts";
import { changeWords, openToWrite } from "./word-gestures.ts";

/** Captions by their photos, on the open page or on all of them. */

type Deps = Pick<Services, "viewState" | "newId" | "fonts">;

async function keepCaptions(
  services: Deps,
  session: ProjectSession,
  tileIds: readonly string[],
  facts: SceneFacts,
): Promise<readonly string[]> {
  // How high a caption is can only be told from its letters.
  await services.fonts.load(faceKey(session.state.getState().project.words.caption));
  const now = session.state.getState();
  const given = { style: now.project.words.caption, facts, newId: services.newId };
  const { page, tiles } = withCaptions(openPlaced(now), tileIds, given);
  if (tiles.length > 0)
    session.commit({ code: "addedCaptions", count: tiles.length }, [{ type: "replacePage", page: page.page }]);
  return tiles.map(([captionId]) => captionId);
}

/** Words under a photo, open to be written; where they are there already, those. */
export async function captionUnder(
  services: Deps,
  session: ProjectSession,
  tileId: string,
  facts: SceneFacts,
): Promise<void> {
  const there = captionOf(openPlaced(session.state.getState()), tileId);
  const captionId = there?.id ?? (await keepCaptions(services, session, [tileId], facts))[0];
  if (captionId !== undefined) openToWrite(services, captionId);
}

/** Under every photo on the page that has a caption and none on the page yet. Says how many. */
export async function captionsForAll(services: Deps, session: ProjectSession, facts: SceneFacts): Promise<number> {
  const wanted = uncaptioned(openPage(session.state.getState()), facts);
  return (await keepCaptions(services, session, wanted, facts)).length;
}

/** What was written on a page becomes the photo's own caption, which the words follow from then on. */
export async function becomeCaption(
  { library }: Pick<Services, "library">,
  session: ProjectSession,
  tileId: string,
  photoId: string,
  text: string,
): Promise<void> {
  const caption = text.trim().slice(0, mostCaption);
  await library.edit("captioned", [photoId], (p) => (p.caption === caption ? p : { ...p, caption }));
  changeWords(session, tileId, () => ({ from: { photoId, what: "caption" }, about: undefined, spans: undefined }));
}

const mostCaption = 2000;

export interface CaptionsAsked {
  readonly place: CaptionPlace;
  /** Only these photos. */
  readonly photoIds: ReadonlySet<string>;
}

/**
 * By every photo of the work that has a caption and none on its page yet, as one step. Says how many; a page whose arrangement has no room for more is
 * left as it is.
 */
export async function captionsForWork(
  services: Deps,
  session: ProjectSession,
  facts: SceneFacts,
  { place, photoIds }: CaptionsAsked,
): Promise<number> {
  await services.fonts.load(faceKey(session.state.getState().project.words.caption));
  const { project } = session.state.getState();
  const given = { style: project.words.caption, facts, newId: services.newId, place };
  const changes: Change[] = [];
  let count = 0;
  for (const page of project.pages) {
    const wanted = uncaptioned(page, facts).filter((id) => photoIds.has(photoIdOf(findTile(page, id)!) ?? ""));
    if (wanted.length === 0) continue;
    const { page: next, tiles } = withCaptions(placed(project, page), wanted, given);
    if (tiles.length === 0) continue;
    count += tiles.length;
    changes.push({ type: "replacePage", page: next.page });
    // A book has many pages; what a person does meanwhile is not held up by all of them.
    await new Promise((done) => setTimeout(done));
  }
  if (changes.length > 0) session.commit({ code: "addedCaptions", count }, changes);
  return count;
}
