import { useMemo } from "react";
import { findPlaced, framingOf, pictureRect } from "#core/document";
import type { Framing, PhotoShape } from "#core/fit";
import type { PageFormat } from "#core/lab";
import { reframeChange } from "../../state/edit/page-gestures.ts";
import { shownPlaced, useSession } from "../../state/session/hooks.ts";

/** How the photo of a tile is framed now, and ways to show and to keep another framing. */
export function useFraming(tileId: string, framed: PhotoShape | undefined, format: PageFormat) {
  const session = useSession();
  return useMemo(() => {
    /** The tile as it is now, draft included, and how it looks at its photo. */
    const now = () => {
      const current = shownPlaced(session.state.getState());
      const open = findPlaced(current, tileId);
      if (open?.filling.kind !== "photo" || !framed) return undefined;
      const { view } = open.filling;
      // A photo that runs through several tiles is moved as a whole, in the box around them.
      if (open.through && open.tile.through)
        return { page: current, size: open.through, view, framing: open.tile.through.view as Framing };
      const framing: Framing = framingOf(view, framed, open, format);
      return { page: current, size: pictureRect(open), view, framing };
    };
    return {
      now,
      show(framing: Framing) {
        const at = now();
        if (at) session.preview([reframeChange(at.page.page, tileId, at.view, framing)]);
      },
      keep(framing: Framing, mergeKey?: string) {
        const at = now();
        if (at)
          session.commit({ code: "reframed", count: 1 }, [reframeChange(at.page.page, tileId, at.view, framing)], {
            mergeKey,
          });
      },
    };
  }, [session, tileId, framed, format]);
}
