import type { Rect } from "#core/geometry";
import { notes as words } from "../../../text/index.ts";
import { useServices } from "../../services.ts";
import { placeAt } from "../../state/notes/note-gestures.ts";
import { useSession, useViewState } from "../../state/session/hooks.ts";
import css from "./notes.module.css";

interface PointLayerProps {
  readonly pageId: string;
  readonly box: Rect;
  readonly scale: number;
}

/** Over a page while somebody points to where a note belongs. */
export function PointLayer({ pageId, box, scale }: PointLayerProps) {
  const services = useServices();
  const session = useSession();
  const pointing = useViewState((s) => s.notes.pointing);
  if (!pointing) return null;
  return (
    <button
      type="button"
      className={css.pointing}
      aria-label={words.pointing}
      onPointerDown={(e) => e.stopPropagation()}
      onClick={(e) => {
        e.stopPropagation();
        const r = e.currentTarget.getBoundingClientRect();
        // By key there is no place on it but its middle.
        const byKey = e.detail === 0;
        const at = byKey
          ? { x: box.x + box.w / 2, y: box.y + box.h / 2 }
          : { x: (e.clientX - r.left) / scale + box.x, y: (e.clientY - r.top) / scale + box.y };
        const about = placeAt(services, session, pageId, at);
        services.viewState.setState({ notes: { open: true, at: undefined, about, pointing: false } });
      }}
    />
  );
}
