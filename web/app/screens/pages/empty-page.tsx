import { Button } from "@chakra-ui/react";
import { useState } from "react";
import { Link, useParams } from "react-router";
import { pace, pages as words } from "../../../text/index.ts";
import { PaceDialog } from "../../components/book/pace-dialog.tsx";
import { useServices } from "../../services.ts";
import { arrangePhotos } from "../../state/edit/arrange-photos.ts";
import { countShown, useLibrary, useProject, useSession, useViewState } from "../../state/session/hooks.ts";
import css from "./mat.module.css";

const firstFew = 60;

/** What an empty page offers: of a book that nothing is in yet, to fill it; of other works, photos on this page. */
export function EmptyPage() {
  const count = useLibrary(countShown);
  const { projectId } = useParams();
  const isBook = useProject((s) => s.project.kind === "book");
  const newBook = useProject((s) => isBook && s.project.pages.every((p) => p.pieces.length === 0));
  const chosen = useViewState((s) => s.photos.ids.size);
  const [filling, setFilling] = useState(false);
  return (
    <>
      <div className={css.empty}>
        <h1>{newBook ? words.emptyBook : words.emptyPage}</h1>
        <p>{newBook ? words.emptyBookLead : words.emptyPageLead}</p>
        {count === 0 ? (
          <Button asChild pointerEvents="auto">
            <Link to={`/work/${projectId}/photos`}>{words.bringFirst}</Link>
          </Button>
        ) : newBook ? (
          <Button pointerEvents="auto" onClick={() => setFilling(true)}>
            {pace.fillWith(chosen > 1 ? chosen : count)}
          </Button>
        ) : (
          !isBook && <ArrangeHere />
        )}
      </div>
      {filling && <PaceDialog fromHere={false} onClose={() => setFilling(false)} />}
    </>
  );
}

function ArrangeHere() {
  const services = useServices();
  const session = useSession();
  const photos = useLibrary((s) => s.photos).filter((p) => !p.hidden);
  return (
    <Button
      pointerEvents="auto"
      variant="outline"
      onClick={() => arrangePhotos(services, session, photos.slice(0, firstFew))}
    >
      {words.arrangeAll(Math.min(firstFew, photos.length), photos.length)}
    </Button>
  );
}
