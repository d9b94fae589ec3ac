import { allTiles, isFree } from "#core/document";
import { useKeys } from "../../commands/hear.ts";
import { useServices } from "../../services.ts";
import { lead, leadOf, shuffle } from "../../state/edit/arrange-page.ts";
import { duplicate } from "../../state/edit/clipboard.ts";
import { emptyThem, takeAway } from "../../state/edit/page-gestures.ts";
import { stepPage } from "../../state/edit/page-list.ts";
import { takeOff } from "../../state/edit/word-gestures.ts";
import { useSession } from "../../state/session/hooks.ts";
import { openPage } from "../../state/session/project-session.ts";
import { chooseAll, nothingChosen } from "../../state/view-state/choose.ts";
import { nextDrawer, shelfDown, shelfUp } from "./shelf/shelf-size.ts";

/** Keys that hold wherever the focus is among the pages. */
export function usePageKeys(): void {
  const services = useServices();
  const { viewState } = services;
  const session = useSession();
  const step = (by: 1 | -1) => !viewState.getState().reframing && stepPage(services, session, by);
  /** What is chosen, unless a photo is being reframed. */
  const chosen = () => (viewState.getState().reframing ? [] : [...viewState.getState().tiles.ids]);
  /** Of tiles of groups the photo goes, what lies freely goes itself. */
  const empty = () => {
    const ids = chosen();
    if (ids.length === 0) return false;
    const page = openPage(session.state.getState());
    const arranged = ids.filter((id) => !isFree(page, id));
    takeOff(services, session, ids);
    if (arranged.length > 0) emptyThem(session, arranged);
    return true;
  };
  const remove = () => {
    const ids = chosen();
    if (ids.length === 0) return false;
    takeAway(session, ids);
    viewState.setState({ tiles: nothingChosen, writing: undefined });
    return true;
  };
  useKeys("page", {
    pageBefore: () => step(-1),
    pageAfter: () => step(1),
    chooseAll: () =>
      viewState.setState({ tiles: chooseAll(allTiles(openPage(session.state.getState())).map((t) => t.id)) }),
    empty,
    takeAway: remove,
    lead: () => {
      const [only, more] = [...viewState.getState().tiles.ids];
      if (only === undefined || more !== undefined) return false;
      const leads = leadOf(openPage(session.state.getState()))?.tileId === only;
      return lead(services, session, leads ? undefined : only, 0.4);
    },
    shuffle: () => shuffle(services, session, 1),
    shuffleBack: () => shuffle(services, session, -1),
    shelfUp: () => shelfUp(viewState),
    shelfDown: () => shelfDown(viewState),
    nextDrawer: () => nextDrawer(viewState),
    duplicate: () => duplicate(services, session),
    letGo: () => {
      const now = viewState.getState();
      if (now.drop.dragged) return false;
      if (now.writing) viewState.setState({ writing: undefined });
      else if (now.reframing) viewState.setState({ reframing: undefined, straightening: false });
      else viewState.setState({ tiles: nothingChosen, photos: nothingChosen });
      return true;
    },
  });
}
