import { Button, Heading, Text } from "@chakra-ui/react";
import { useState } from "react";
import { type CaptionPlace, captionPlaces } from "#core/edit";
import { writing as say } from "../../../text/index.ts";
import { Checkbox } from "../../components/checkbox.tsx";
import { Beside } from "../../components/field-label.tsx";
import { Select } from "../../components/select.tsx";
import { notices } from "../../notices/notices.ts";
import { useServices } from "../../services.ts";
import { captionsForWork } from "../../state/edit/captions.ts";
import { useFacts } from "../../state/session/facts.ts";
import { useLibrary, useSession } from "../../state/session/hooks.ts";

/** Captions by all photos of all pages at once. */
export function PutCaptions() {
  const services = useServices();
  const session = useSession();
  const facts = useFacts();
  const photos = useLibrary((s) => s.photos);
  const [place, setPlace] = useState<CaptionPlace>("under");
  const [starred, setStarred] = useState(false);
  const [busy, setBusy] = useState(false);
  const put = async () => {
    setBusy(true);
    const photoIds = new Set(photos.filter((p) => !starred || p.stars > 0).map((p) => p.id));
    const n = await captionsForWork(services, session, facts, { place, photoIds });
    setBusy(false);
    if (n === 0) notices.create({ title: say.putNone, type: "info" });
    else
      notices.create({
        title: say.putDone(n),
        type: "success",
        action: { label: say.takeBack, onClick: () => session.undo() },
      });
  };
  return (
    <section>
      <Heading as="h2" fontSize="18px" fontWeight="540" mb="1">
        {say.putTitle}
      </Heading>
      <Text fontSize="14px" color="fg.muted" mb="3">
        {say.putLead}
      </Text>
      <Beside label={say.where}>
        <Select<CaptionPlace>
          label={say.where}
          value={place}
          options={captionPlaces.map((p) => [p, say.places[p]])}
          onChoose={setPlace}
        />
      </Beside>
      <Checkbox label={say.onlyStarred} on={starred} onToggle={setStarred} />
      <Button mt="3" w="full" loading={busy} onClick={() => void put()}>
        {say.put}
      </Button>
    </section>
  );
}
