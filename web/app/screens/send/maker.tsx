import { Box, Button, Text } from "@chakra-ui/react";
import { FileDown } from "lucide-react";
import { useEffect, useMemo, useState } from "react";
import { useStore } from "zustand";
import { drawsAnything, type PrintFile } from "#core/document";
import { printPixels } from "#core/lab";
import { send as words } from "../../../text/index.ts";
import { leastQuality, Making, SendEnd, TooLarge } from "../../components/making-progress.tsx";
import { NumberField } from "../../components/number-field.tsx";
import { pagesAsked } from "../../components/pages-asked.ts";
import type { FileOptions } from "../../state/sending/file-options.ts";
import type { SendTo } from "../../state/sending/sender.ts";
import { senderOf } from "../../state/sending/senders.ts";
import { isServed } from "../../state/sending/to-lab.ts";
import { useProject, useSession } from "../../state/session/hooks.ts";
import { useMake } from "./use-make.ts";
import { WhereTo, type Which, WhichFiles } from "./which-files.tsx";

interface MakerProps {
  /** The file of the page that is looked at. */
  readonly open: PrintFile;
  readonly files: readonly PrintFile[];
  readonly fileOptions: FileOptions;
  readonly onFileOptions: (fileOptions: FileOptions) => void;
}

/** As many as a packet may ask for. */
const mostCopies = 1000;

/** Makes the files of all pages that have something on them, or of the one that is looked at, or of some. */
export function Maker({ open, files, fileOptions, onFileOptions }: MakerProps) {
  const session = useSession();
  const sender = senderOf(session);
  const state = useStore(sender.state);
  const project = useProject((s) => s.project);
  const mark = useProject((s) => s.history.steps[s.history.done - 1]?.at ?? "");
  const [which, setWhich] = useState<Which>("all");
  const [asked, setAsked] = useState("");
  const [to, setTo] = useState<SendTo>("each");
  const [copies, setCopies] = useState(1);
  useEffect(() => void sender.look(), [sender]);
  // Of a collage only what has something on it; a book is sent with its bare pages.
  const full = project.kind === "book" ? files : files.filter((f) => f.parts.some((p) => drawsAnything(p.page)));
  const some = useMemo(() => pagesAsked(asked, words.coverWord), [asked]);
  const wanted =
    which === "all"
      ? full
      : which === "this"
        ? [open]
        : files.filter((f) => (f.number === "cover" ? some.cover : some.numbers.has(f.number)));
  // A lab of one's own has no line to send by.
  const takes =
    isServed(project.lab) &&
    fileOptions.longSidePx === undefined &&
    (fileOptions.kind === project.lab?.file.kind || fileOptions.kind === "pdf");
  const mostMb = project.lab?.file.mostMb;
  const orderMark = JSON.stringify([mark, fileOptions, wanted.map((f) => [f.number, f.pocket])]);

  const make = useMake({ wanted, fileOptions, to, copies, mark: orderMark });

  if (state.is === "making" || state.is === "paused" || state.is === "handing")
    return <Making sender={sender} state={state} />;
  const first = wanted[0];
  // How it ended is said of what is asked for now, not of something else.
  const same = state.mark === orderMark;
  const fileCount = fileOptions.kind === "pdf" ? 1 : wanted.length;
  return (
    <Box>
      {full.length > 0 && full.length < files.length && (
        <Text mb="3" fontSize="14px" color="fg.muted">
          {words.bareLeftOut(files.length - full.length)}
        </Text>
      )}
      {full.length > 1 && (
        <WhichFiles
          count={full.length}
          which={which}
          asked={asked}
          cover={project.cover !== null}
          none={asked !== "" && wanted.length === 0}
          onWhich={setWhich}
          onAsked={setAsked}
        />
      )}
      {(wanted.length > 1 || takes) && (
        <WhereTo to={takes || to !== "lab" ? to : "each"} several={wanted.length > 1} lab={takes} onTo={setTo} />
      )}
      {project.kind !== "prints" && project.lab && (to === "lab" || (to === "zip" && wanted.length > 1)) && (
        <Box mb="4" w="180px">
          <NumberField
            label={words.copies(project.kind)}
            value={copies}
            least={1}
            most={mostCopies}
            step={1}
            onNumber={(n) => setCopies(Math.round(n))}
          />
        </Box>
      )}
      {state.left?.mark === orderMark && (
        <Text mb="3" fontWeight="500" role="status">
          {words.left(state.left.done, state.left.of)}
        </Text>
      )}
      <Button
        size="lg"
        w="full"
        disabled={wanted.length === 0}
        onClick={() => void make()}
        variant={same && state.is === "saved" ? "outline" : "solid"}
      >
        <FileDown size={20} aria-hidden />{" "}
        {same && state.is === "saved"
          ? words.saveAgain(fileCount)
          : (same && state.is === "failed") || state.left?.mark === orderMark
            ? words.goOn(fileCount)
            : to === "lab" && project.lab
              ? words.sendTo(project.lab.name)
              : words.save(fileCount, fileOptions.kind)}
      </Button>
      {same && state.is === "saved" && state.tooLarge.length > 0 && mostMb !== undefined && (
        <TooLarge
          files={state.tooLarge}
          mostMb={mostMb}
          quality={
            fileOptions.kind === "jpeg" && fileOptions.picture.quality > leastQuality
              ? fileOptions.picture.quality
              : undefined
          }
          onQuality={(quality) => onFileOptions({ ...fileOptions, picture: { ...fileOptions.picture, quality } })}
        />
      )}
      {first && (same || state.is !== "saved") && (
        <SendEnd
          state={state}
          size={fileOptions.kind === "pdf" || fileOptions.kind === "svg" ? undefined : printPixels(first.format)}
          ppi={first.densityPpi ?? first.format.ppi}
          colour={fileOptions.picture.colour}
          {...(same && to !== "lab" ? { onAgain: (how) => void make(how) } : {})}
        />
      )}
    </Box>
  );
}
