import { Text } from "@chakra-ui/react";
import { useState } from "react";
import { useStore } from "zustand";
import { formats, proof as words } from "../../../text/index.ts";
import { WorkerError } from "../../../workers/protocol.ts";
import { notices } from "../../notices/notices.ts";
import { useServices } from "../../services.ts";
import { notesOf } from "../../state/notes/notes-shelf.ts";
import { makeProof, type ProofOptions, type ProofSize } from "../../state/proof/make-proof.ts";
import { saveToDisk } from "../../state/sending/save-to-disk.ts";
import { useSession } from "../../state/session/hooks.ts";
import { Checkbox } from "../checkbox.tsx";
import { ConfirmDialog } from "../confirm-dialog.tsx";
import { FieldLabel } from "../field-label.tsx";
import { Making } from "../project/making.tsx";
import { Segmented } from "../segmented.tsx";
import { TextField } from "../text-field.tsx";

const offerCounts = ["0", "6", "12"] as const;
const mostMailMb = 20;

/** Asks what the proof should be like, then makes it. */
export function ProofDialog({ onClose }: { readonly onClose: () => void }) {
  const notes = notesOf(useServices());
  const name = useStore(notes.state, (s) => s.me.name);
  const [size, setSize] = useState<ProofSize>("screen");
  const [mark, setMark] = useState(words.markFirst);
  const [offers, setOffers] = useState<(typeof offerCounts)[number]>("6");
  const [withNotes, setWithNotes] = useState(true);
  const [making, setMaking] = useState<ProofOptions>();
  if (making) return <MakingProof options={making} onClose={onClose} />;
  return (
    <ConfirmDialog
      title={words.title}
      doIt={words.make}
      onDo={() => setMaking({ size, mark: mark.trim(), offers: Number(offers), withNotes })}
      onClose={onClose}
    >
      <Text mb="4">{words.lead}</Text>
      <FieldLabel label={words.size}>
        <Segmented
          label={words.size}
          value={size}
          options={[
            ["screen", words.sizes.screen],
            ["close", words.sizes.close],
          ]}
          onChoose={setSize}
        />
      </FieldLabel>
      <Text h="3" />
      <FieldLabel label={words.offers}>
        <Segmented
          label={words.offers}
          value={offers}
          options={offerCounts.map((n) => [n, n === "0" ? words.offersNone : n] as const)}
          onChoose={setOffers}
        />
      </FieldLabel>
      <Text fontSize="13.5px" color="fg.muted" mt="1" mb="3">
        {words.offersHelp}
      </Text>
      <TextField label={words.mark} value={mark} maxLength={40} onChange={(e) => setMark(e.target.value)} />
      <Text fontSize="13.5px" color="fg.muted" mt="1" mb="3">
        {words.markHelp}
      </Text>
      <TextField label={words.name} value={name} maxLength={80} onChange={(e) => notes.callMe(e.target.value)} />
      <Text fontSize="13.5px" color="fg.muted" mt="1" mb="3">
        {words.nameHelp}
      </Text>
      <Checkbox label={words.withNotes} on={withNotes} onToggle={setWithNotes} />
    </ConfirmDialog>
  );
}

function MakingProof({ options, onClose }: { readonly options: ProofOptions; readonly onClose: () => void }) {
  const services = useServices();
  const session = useSession();
  return (
    <Making
      title={words.making}
      failed={troubleWords}
      stopped={words.stopped}
      onClose={onClose}
      make={async (doing) => {
        const { project } = session.state.getState();
        const file = await makeProof(services, project, options, doing);
        const { fileTitle } = await import("../../../text/in-latin.ts");
        const name = `${fileTitle(project.name)}-proof.html`;
        const mb = file.size / 1e6;
        await saveToDisk(file, name);
        notices.create({ title: words.made(name, formats.number(mb, 1)), type: "success", duration: 20_000 });
        if (mb > mostMailMb)
          notices.create({ title: words.large(formats.number(mb, 1)), type: "info", duration: 20_000 });
      }}
    />
  );
}

function troubleWords(e: unknown): string {
  if (!(e instanceof WorkerError)) return words.failed;
  if (e.code === "photoUnreadable") return words.photoUnreadable(e.message);
  return e.code === "fontMissing" ? words.fontMissing : words.failed;
}
