import { Text } from "@chakra-ui/react";
import { useState } from "react";
import { fonts as fontWords, formats, work as words } from "../../../text/index.ts";
import { notices } from "../../notices/notices.ts";
import { useServices } from "../../services.ts";
import { saveToDisk } from "../../state/sending/save-to-disk.ts";
import { writeProjectFile } from "../../state/session/project-file.ts";
import type { ProjectSession } from "../../state/session/project-session.ts";
import { Checkbox } from "../checkbox.tsx";
import { ConfirmDialog } from "../confirm-dialog.tsx";
import { Making } from "./making.tsx";

interface SaveFileProps {
  readonly session: ProjectSession;
  readonly onClose: () => void;
}

/** Says what goes into the file, then writes it. */
export function SaveFile({ session, onClose }: SaveFileProps) {
  const [places, setPlaces] = useState(true);
  const [writing, setWriting] = useState(false);
  if (writing) return <Writing session={session} places={places} onClose={onClose} />;
  return (
    <ConfirmDialog title={words.saveTitle} doIt={words.saveDo} onDo={() => setWriting(true)} onClose={onClose}>
      <Text mb="4">{words.saveLead}</Text>
      <Checkbox label={words.saveNoPlaces} on={!places} onToggle={(on) => setPlaces(!on)} />
    </ConfirmDialog>
  );
}

/** Writes the work as one file, and hands it to the browser's own saving. */
function Writing({ session, places, onClose }: SaveFileProps & { readonly places: boolean }) {
  const services = useServices();
  return (
    <Making
      title={words.writing}
      failed={() => words.failed}
      stopped={words.stopped}
      onClose={onClose}
      make={async (doing) => {
        const { project } = session.state.getState();
        const { file, missing, fontsLeftOut } = await writeProjectFile(services, project, doing, { places });
        const { fileTitle } = await import("../../../text/in-latin.ts");
        const name = `${fileTitle(project.name)}.tessip`;
        await saveToDisk(file, name);
        notices.create({ title: words.saved(name, formats.number(file.size / 1e6, 1)), type: "success" });
        if (missing.length > 0) notices.create({ title: words.savedWithout(missing), type: "error" });
        if (fontsLeftOut.length > 0)
          notices.create({ title: fontWords.savedWithout(fontsLeftOut), type: "info", duration: 20_000 });
      }}
    />
  );
}
