import { lookGiven } from "#core/edit";
import type { Services } from "../../services.ts";
import { openPlaced, type ProjectSession } from "../session/project-session.ts";

/** While a tile's look is in hand, each tile that is chosen gets it; it is put down when nothing is chosen any more. Ends with the function given back. */
export const giveLooks = ({ viewState }: Pick<Services, "viewState">, session: ProjectSession): (() => void) =>
  viewState.subscribe(({ lookFrom, tiles }, before) => {
    if (lookFrom === undefined || tiles === before.tiles) return;
    const on = openPlaced(session.state.getState());
    if (tiles.ids.size === 0 || !on.tiles.some((t) => t.id === lookFrom)) {
      viewState.setState({ lookFrom: undefined });
      return;
    }
    const ids = [...tiles.ids].filter((id) => id !== lookFrom);
    if (ids.length > 0) session.commit({ code: "gaveLook", count: ids.length }, [lookGiven(on, lookFrom, ids)]);
  });
