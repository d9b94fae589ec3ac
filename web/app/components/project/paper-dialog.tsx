import { Text } from "@chakra-ui/react";
import { useState } from "react";
import type { OfficePaper } from "#core/sheet-files";
import { onPaper as words } from "../../../text/index.ts";
import { WorkerError } from "../../../workers/protocol.ts";
import { notices } from "../../notices/notices.ts";
import { useServices } from "../../services.ts";
import { type PaperOptions, paperFiles, paperPdf } from "../../state/proof/on-paper.ts";
import { saveToDisk } from "../../state/sending/save-to-disk.ts";
import type { ProjectSession } from "../../state/session/project-session.ts";
import { ConfirmDialog } from "../confirm-dialog.tsx";
import { FieldLabel } from "../field-label.tsx";
import { Segmented } from "../segmented.tsx";
import { Making } from "./making.tsx";

interface PaperDialogProps {
  readonly session: ProjectSession;
  readonly onClose: () => void;
}

const counts = { pages: ["1", "2", "3", "4"], photos: ["3", "4", "5", "6"] } as const;

/** Asks what should be read on paper, then makes a PDF of it. */
export function PaperDialog({ session, onClose }: PaperDialogProps) {
  const { unit } = session.state.getState().project;
  const [what, setWhat] = useState<PaperOptions["what"]>("pages");
  const [which, setWhich] = useState<PaperOptions["which"]>("project");
  const [paper, setPaper] = useState<OfficePaper>(unit === "in" ? "letter" : "a4");
  const [count, setCount] = useState<{ readonly pages: string; readonly photos: string }>({ pages: "2", photos: "4" });
  const [making, setMaking] = useState<PaperOptions>();
  if (making) return <MakingPdf session={session} options={making} onClose={onClose} />;
  const countWords = what === "pages" ? words.perSheet : words.columns;
  return (
    <ConfirmDialog
      title={words.title}
      doIt={words.make}
      onDo={() => setMaking({ what, which, paper, count: Number(count[what]) })}
      onClose={onClose}
    >
      <Text mb="4">{words.lead}</Text>
      <FieldLabel label={words.what}>
        <Segmented
          label={words.what}
          value={what}
          options={[
            ["pages", words.whats.pages],
            ["photos", words.whats.photos],
          ]}
          onChoose={setWhat}
        />
      </FieldLabel>
      <Text h="3" />
      {what === "photos" && (
        <>
          <FieldLabel label={words.which}>
            <Segmented
              label={words.which}
              value={which}
              options={[
                ["project", words.whichs.project],
                ["all", words.whichs.all],
              ]}
              onChoose={setWhich}
            />
          </FieldLabel>
          <Text h="3" />
        </>
      )}
      <FieldLabel label={countWords}>
        <Segmented
          label={countWords}
          value={count[what]}
          options={counts[what].map((n) => [n, n] as const)}
          onChoose={(n) => setCount({ ...count, [what]: n })}
        />
      </FieldLabel>
      <Text h="3" />
      <FieldLabel label={words.paper}>
        <Segmented
          label={words.paper}
          value={paper}
          options={[
            ["a4", words.papers.a4],
            ["letter", words.papers.letter],
          ]}
          onChoose={setPaper}
        />
      </FieldLabel>
    </ConfirmDialog>
  );
}

const whyNot = (e: unknown): string =>
  e instanceof WorkerError && e.code === "photoUnreadable" ? words.missing(e.message) : words.failed;

function MakingPdf({ session, options, onClose }: PaperDialogProps & { readonly options: PaperOptions }) {
  const services = useServices();
  return (
    <Making
      title={words.making}
      failed={whyNot}
      stopped={words.stopped}
      onClose={onClose}
      make={async (doing) => {
        const { project } = session.state.getState();
        const files = paperFiles(services, project, options);
        if (files.length === 0) {
          notices.create({ title: words.none, type: "info" });
          return;
        }
        const pdf = await paperPdf(services, files, project.name, doing);
        const { fileTitle } = await import("../../../text/in-latin.ts");
        const name = `${fileTitle(project.name)}-${words.fileName[options.what]}.pdf`;
        await saveToDisk(pdf, name);
        notices.create({ title: words.made(name, files.length), type: "success", duration: 15_000 });
      }}
    />
  );
}
