import { type MouseEvent, type ReactNode, useRef } from "react";
import { useNavigate, useParams } from "react-router";
import { photoMenu as words } from "../../../../text/index.ts";
import { firstKeyOf } from "../../../commands/shown.ts";
import { ContextMenu, type Deed } from "../../../components/context-menu.tsx";
import { useServices } from "../../../services.ts";
import { layBehind, layFreely } from "../../../state/edit/materials.ts";
import { placeChosen } from "../../../state/edit/place-chosen.ts";
import { useSession } from "../../../state/session/hooks.ts";

/** What can be done with a photo on the shelf; one that is not among the chosen ones is chosen first. */
export function PhotoMenu({ children }: { readonly children: ReactNode }) {
  const services = useServices();
  const { viewState, library } = services;
  const session = useSession();
  const navigate = useNavigate();
  const { projectId } = useParams();
  const under = useRef<string>(undefined);
  const chooseUnder = (e: MouseEvent) => {
    const id = e.target instanceof Element ? e.target.closest<HTMLElement>("[data-photo]")?.dataset.photo : undefined;
    under.current = id;
    if (id !== undefined && !viewState.getState().photos.ids.has(id))
      viewState.setState({ photos: { ids: new Set([id]), anchor: id } });
  };
  const deeds = (): readonly Deed[] => {
    const photoId = under.current;
    return photoId === undefined
      ? []
      : [
          ["place", words.place, () => placeChosen(services, session, photoId), firstKeyOf("shelf", "place")],
          ["free", words.layFreely, () => layFreely(services, session, photoId)],
          ["behind", words.layBehind, () => layBehind(session, photoId)],
          [
            "about",
            words.about,
            () => {
              viewState.setState({ section: "photos", sheet: photoId });
              void navigate(`/work/${projectId}/photos`);
            },
          ],
          [
            "hide",
            words.hide,
            () => void library.edit("hid", [...viewState.getState().photos.ids], (p) => ({ ...p, hidden: true })),
          ],
        ];
  };
  return (
    <ContextMenu label={words.label} deeds={deeds}>
      <div onContextMenuCapture={chooseUnder}>{children}</div>
    </ContextMenu>
  );
}
