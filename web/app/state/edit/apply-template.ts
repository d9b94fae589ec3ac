import { areWords, emptyPlaces, freeTiles, groupAt, type Page, type PlacedPage, photoIdOf } from "#core/document";
import { aroundGroup, groupMeant, takenAway } from "#core/edit";
import { photoShape } from "#core/photo";
import { flowsFrom, layTemplate, photoPlaces, type Template } from "#core/templates";
import { templates as words } from "../../../text/index.ts";
import { notices } from "../../notices/notices.ts";
import type { Services } from "../../services.ts";
import { openPage, openPlaced, type ProjectSession } from "../session/project-session.ts";
import { nothingChosen } from "../view-state/choose.ts";
import { keep } from "./tree-gestures.ts";

type Deps = Pick<Services, "library" | "viewState" | "newId">;

/** The page with the part as the first that a template would lay out. */
function aroundMeant({ viewState }: Deps, on: PlacedPage): PlacedPage {
  const [tileId] = viewState.getState().tiles.ids;
  return aroundGroup(on, groupMeant(on, tileId)?.group.id);
}

/** The photos that are to flow into a template: those of the part that it lays out or of all of the page, else those chosen on the shelf. */
function flowing({ library, viewState }: Deps, on: PlacedPage, template?: Template) {
  const { byId, photos } = library.state.getState();
  const there = flowsFrom(on, template).flatMap((t) => byId.get(photoIdOf(t) ?? "") ?? []);
  const chosen = viewState.getState().photos.ids;
  const given = there.length > 0 ? there : photos.filter((p) => chosen.has(p.id));
  return given.map((p) => ({ id: p.id, ...photoShape(p) }));
}

export const countFlowing = (services: Deps, on: PlacedPage): number =>
  flowing(services, aroundMeant(services, on)).length;

/** The page as a template would lay it out. A picture of it needs no more photos than there are places. */
export function laidBy(services: Deps, on: PlacedPage, template: Template, forPicture: boolean) {
  const around = aroundMeant(services, on);
  const photos = flowing(services, around, template);
  const some = forPicture ? photos.slice(0, photoPlaces(template)) : photos;
  return layTemplate(around, template, { photos: some, newId: services.newId });
}

/** Lays the open page out by a template as one step, and says what did not come out even. */
export function applyTemplate(services: Deps, session: ProjectSession, template: Template): void {
  const now = session.state.getState();
  const laid = laidBy(services, openPlaced(now), template, false);
  const meant = groupAt(aroundMeant(services, openPlaced(now)));
  session.commit({ code: "tookTemplate", count: 1 }, [{ type: "replacePage", page: laid.page }]);
  const on = openPlaced(session.state.getState());
  // Of several parts the one that was laid out stays the one that is meant.
  const part = on.groups.length > 1 ? on.groups.find((g) => g.group.id === meant?.group.id)?.group.tiles[0] : undefined;
  services.viewState.setState({
    tiles: part ? { ids: new Set([part.id]), anchor: part.id } : nothingChosen,
    photos: nothingChosen,
  });
  const lyingWords = (page: Page) => freeTiles(page).filter(areWords).length;
  const freed = lyingWords(laid.page) - lyingWords(openPage(now));
  if (freed > 0) notices.create({ title: words.wordsFreed(freed), type: "info" });
  if (laid.made > 0) notices.create({ title: words.madePlaces(laid.made), type: "info" });
  if (laid.left > 0) notices.create({ title: words.leftOver(laid.left), type: "info" });
  if (laid.empty > 0 && laid.empty < photoPlaces(template))
    notices.create({
      title: words.emptyNow(laid.empty),
      type: "info",
      action: {
        label: words.closeUp,
        onClick: () => {
          const bare = emptyPlaces(openPlaced(session.state.getState())).map((t) => t.id);
          keep(session, "tookAway", bare.length, takenAway(bare));
        },
      },
    });
}
