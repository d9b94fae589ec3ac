import { Button } from "@chakra-ui/react";
import { Clock, Eye, EyeOff, LayoutGrid } from "lucide-react";
import { useState } from "react";
import { useNavigate, useParams } from "react-router";
import type { Photo } from "#core/photo";
import { photos as photoWords, chosenWords as words } from "../../../text/index.ts";
import { useServices } from "../../services.ts";
import { arrangePhotos } from "../../state/edit/arrange-photos.ts";
import { onFreshPage } from "../../state/edit/page-list.ts";
import { useMaybeSession } from "../../state/session/hooks.ts";
import { ChosenFrame } from "./chosen-frame.tsx";
import { Stars } from "./stars.tsx";
import { TimeDialog } from "./time-dialog.tsx";

/** What can be done with the chosen photos; it comes up when there are some. */
export function ChosenBar({ chosen }: { readonly chosen: readonly Photo[] }) {
  const services = useServices();
  const { library } = services;
  const session = useMaybeSession();
  const navigate = useNavigate();
  const { projectId } = useParams();
  const [retiming, setRetiming] = useState(false);
  if (chosen.length === 0) return null;
  const ids = chosen.map((p) => p.id);
  const allHidden = chosen.every((p) => p.hidden);
  const stars = chosen.every((p) => p.stars === chosen[0]!.stars) ? chosen[0]!.stars : undefined;

  async function arrange() {
    if (!session || !onFreshPage(services, session)) return;
    arrangePhotos(services, session, chosen);
    await navigate(`/work/${projectId}/pages`);
  }

  return (
    <ChosenFrame
      chosen={chosen}
      end={
        session && (
          <Button size="sm" onClick={() => void arrange()}>
            <LayoutGrid size={17} aria-hidden /> {photoWords.arrange(chosen.length)}
          </Button>
        )
      }
    >
      <Stars
        label={words.label}
        stars={stars}
        onStars={(n) => void library.edit("starred", ids, (p) => (p.stars === n ? p : { ...p, stars: n }))}
      />
      <Button
        size="sm"
        variant="ghost"
        onClick={() => void library.edit(allHidden ? "showed" : "hid", ids, (p) => ({ ...p, hidden: !allHidden }))}
      >
        {allHidden ? <Eye size={17} aria-hidden /> : <EyeOff size={17} aria-hidden />}{" "}
        {allHidden ? words.show : words.hide}
      </Button>
      <Button size="sm" variant="ghost" onClick={() => setRetiming(true)}>
        <Clock size={17} aria-hidden /> {words.time}
      </Button>
      {retiming && <TimeDialog chosen={chosen} onClose={() => setRetiming(false)} />}
    </ChosenFrame>
  );
}
