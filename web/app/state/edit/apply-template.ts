import { emptyTiles, type Page, photoIdOf } from "#core/document";
import type { PageFormat } from "#core/lab";
import { framedBy } from "#core/photo";
import { layTemplate, photoPlaces, type Template } from "#core/templates";
import { templates as words } from "../../../text/pages.ts";
import { notices } from "../../components/notices.ts";
import type { Kit } from "../../services.ts";
import { openFormat, openPage, type ProjectSession } from "../session/project-session.ts";
import { nothingChosen } from "../view-state/choose.ts";
import { keep, takenAway } from "./tree-gestures.ts";

type Hands = Pick<Kit, "library" | "desk" | "newId">;

/** The photos that are to flow into a template: those on the page, else those chosen on the shelf. */
function flowing({ library, desk }: Hands, page: Page) {
  const { byId, photos } = library.state.getState();
  const there = page.tiles.flatMap((t) => byId.get(photoIdOf(t) ?? "") ?? []);
  const chosen = desk.getState().photos.ids;
  const given = there.length > 0 ? there : photos.filter((p) => chosen.has(p.id));
  return given.map((p) => ({ id: p.id, ...framedBy(p) }));
}

export const countFlowing = (kit: Hands, page: Page): number => flowing(kit, page).length;

/** The page as a template would lay it out. A picture of it needs no more photos than there are places. */
export function laidBy(kit: Hands, page: Page, format: PageFormat, template: Template, forPicture: boolean) {
  const photos = flowing(kit, page);
  const some = forPicture ? photos.slice(0, photoPlaces(template)) : photos;
  return layTemplate(page, format, template, { photos: some, newId: kit.newId });
}

/** Lays the open page out by a template as one step, and says what did not come out even. */
export function takeTemplate(kit: Hands, session: ProjectSession, template: Template): void {
  const now = session.state.getState();
  const laid = laidBy(kit, openPage(now), openFormat(now), template, false);
  session.commit({ code: "tookTemplate", count: 1 }, [{ type: "putPage", page: laid.page }]);
  kit.desk.setState({ tiles: nothingChosen, photos: nothingChosen });
  const freed = laid.page.over.length - openPage(now).over.length;
  if (freed > 0) notices.create({ title: words.wordsFreed(freed), type: "info" });
  if (laid.made > 0) notices.create({ title: words.madePlaces(laid.made), type: "info" });
  if (laid.empty > 0 && laid.empty < laid.page.tiles.length)
    notices.create({
      title: words.emptyNow(laid.empty),
      type: "info",
      action: {
        label: words.closeUp,
        onClick: () => {
          const bare = emptyTiles(openPage(session.state.getState())).map((t) => t.id);
          keep(session, "tookAway", bare.length, takenAway(bare));
        },
      },
    });
}
