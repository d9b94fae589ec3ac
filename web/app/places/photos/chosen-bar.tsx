import { Button, HStack, Text } from "@chakra-ui/react";
import { Clock, Eye, EyeOff, Info, LayoutGrid, Trash2, X } from "lucide-react";
import { useState } from "react";
import { useNavigate, useParams } from "react-router";
import type { Photo } from "#core/photo";
import { photos as photoWords, chosenWords as words } from "../../../text/photos.ts";
import { useKit } from "../../kit.ts";
import { arrangePhotos } from "../../state/arrange-photos.ts";
import { nothingChosen } from "../../state/choose.ts";
import { useMaybeSession } from "../../state/hooks.ts";
import { RemoveDialog } from "./remove-dialog.tsx";
import { Stars } from "./stars.tsx";
import { TimeDialog } from "./time-dialog.tsx";

/** What can be done with the chosen photos; it comes up when there are some. */
export function ChosenBar({ chosen }: { readonly chosen: readonly Photo[] }) {
  const kit = useKit();
  const { library, desk } = kit;
  const session = useMaybeSession();
  const navigate = useNavigate();
  const { projectId } = useParams();
  const [asking, setAsking] = useState<"time" | "remove">();
  if (chosen.length === 0) return null;
  const ids = chosen.map((p) => p.id);
  const allHidden = chosen.every((p) => p.hidden);
  const stars = chosen.every((p) => p.stars === chosen[0]!.stars) ? chosen[0]!.stars : undefined;

  async function arrange() {
    if (!session) return;
    arrangePhotos(kit, session, chosen);
    await navigate(`/work/${projectId}/pages`);
  }

  return (
    <HStack
      as="section"
      aria-label={words.label}
      px="6"
      py="2.5"
      gap="2"
      bg="oat.50"
      borderTopWidth="1px"
      borderColor="oat.300"
    >
      <Text fontWeight="600" minW="90px" role="status">
        {photoWords.chosen(chosen.length)}
      </Text>
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
      <Button size="sm" variant="ghost" onClick={() => setAsking("time")}>
        <Clock size={17} aria-hidden /> {words.time}
      </Button>
      <Button size="sm" variant="ghost" onClick={() => setAsking("remove")}>
        <Trash2 size={17} aria-hidden /> {words.remove}
      </Button>
      {chosen.length === 1 && (
        <Button size="sm" variant="ghost" onClick={() => desk.setState({ sheet: ids[0] })}>
          <Info size={17} aria-hidden /> {words.sheet}
        </Button>
      )}
      <Button size="sm" variant="ghost" ml="auto" onClick={() => desk.setState({ photos: nothingChosen })}>
        <X size={17} aria-hidden /> {words.none}
      </Button>
      {session && (
        <Button size="sm" onClick={() => void arrange()}>
          <LayoutGrid size={17} aria-hidden /> {photoWords.arrange(chosen.length)}
        </Button>
      )}
      {asking === "time" && <TimeDialog chosen={chosen} onClose={() => setAsking(undefined)} />}
      {asking === "remove" && <RemoveDialog chosen={chosen} onClose={() => setAsking(undefined)} />}
    </HStack>
  );
}
