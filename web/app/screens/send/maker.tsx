import { Box, Button, Text } from "@chakra-ui/react";
import { useQueryClient } from "@tanstack/react-query";
import { FileDown } from "lucide-react";
import { useEffect, useMemo, useRef, useState } from "react";
import { useNavigate } from "react-router";
import { useStore } from "zustand";
import { drawsAnything, type PrintFile } from "#core/document";
import { printPixels } from "#core/lab";
import { send as words } from "../../../text/index.ts";
import { leastQuality, Making, SendEnd, TooLarge } from "../../components/making-progress.tsx";
import { NumberField } from "../../components/number-field.tsx";
import { pagesAsked } from "../../components/pages-asked.ts";
import { Segmented } from "../../components/segmented.tsx";
import { TextField } from "../../components/text-field.tsx";
import { useServices } from "../../services.ts";
import type { FileOptions } from "../../state/sending/file-options.ts";
import type { SendOrder, SendTo } from "../../state/sending/sender.ts";
import { senderOf } from "../../state/sending/senders.ts";
import { aboutPages, isServed, orderSheet, toLab } from "../../state/sending/to-lab.ts";
import { useLibrary, useProject, useSession } from "../../state/session/hooks.ts";
import { tasksFor, zipNameOf } from "./tasks.ts";

interface MakerProps {
  /** The file of the page that is looked at. */
  readonly open: PrintFile;
  readonly files: readonly PrintFile[];
  readonly fileOptions: FileOptions;
  readonly onFileOptions: (fileOptions: FileOptions) => void;
}

type FolderPicker = { showDirectoryPicker?: (how: { mode: "readwrite" }) => Promise<FileSystemDirectoryHandle> };

/** As many as a packet may ask for. */
const mostCopies = 1000;

/** Makes the files of all pages that have something on them, or of the one that is looked at, or of some. */
export function Maker({ open, files, fileOptions, onFileOptions }: MakerProps) {
  const services = useServices();
  const session = useSession();
  const navigate = useNavigate();
  const queries = useQueryClient();
  const sender = senderOf(session);
  const state = useStore(sender.state);
  const project = useProject((s) => s.project);
  const mark = useProject((s) => s.history.steps[s.history.done - 1]?.at ?? "");
  const byId = useLibrary((s) => s.byId);
  const [which, setWhich] = useState<"all" | "this" | "some">("all");
  const [asked, setAsked] = useState("");
  const [to, setTo] = useState<SendTo>("each");
  const [copies, setCopies] = useState(1);
  const chosenFolder = useRef<FileSystemDirectoryHandle>(undefined);
  useEffect(() => void sender.look(), [sender]);
  // Of a collage only what has something on it; a book is sent with its bare pages.
  const full = project.kind === "book" ? files : files.filter((f) => f.parts.some((p) => drawsAnything(p.page)));
  const chosen = useMemo(() => pagesAsked(asked), [asked]);
  const wanted =
    which === "all"
      ? full
      : which === "this"
        ? [open]
        : files.filter((f) => (f.number === "cover" ? /cover/i.test(asked) : chosen.has(f.number)));
  // A lab of one's own has no line to send by.
  const takes =
    isServed(project.lab) &&
    fileOptions.longSidePx === undefined &&
    (fileOptions.kind === project.lab?.file.kind || fileOptions.kind === "pdf");
  const mostMb = project.lab?.file.mostMb;
  const orderMark = JSON.stringify([mark, fileOptions, wanted.map((f) => [f.number, f.pocket])]);

  async function make(again: Pick<SendOrder, "replaces" | "withoutRefused"> = {}) {
    let folder = again.replaces || again.withoutRefused ? chosenFolder.current : undefined;
    if (to === "folder" && wanted.length > 1 && !folder) {
      try {
        folder = await (window as FolderPicker).showDirectoryPicker?.({ mode: "readwrite" });
        chosenFolder.current = folder;
      } catch {
        // Nothing was chosen after all.
        return;
      }
    }
    const { history } = session.state.getState();
    const tasks = tasksFor(wanted, project, fileOptions, { store: services.store, printing: services.printing, byId });
    const where = tasks.length > 1 || to === "lab" ? to : "each";
    const about = aboutPages(project, wanted, { kind: fileOptions.kind, copies });
    const packet = about && {
      deliver: toLab(services, session, about, copies === 1 ? orderMark : `${orderMark} ${copies}`),
      beside: orderSheet(project.lab?.name ?? "", about),
    };
    const mostBytes = mostMb === undefined ? undefined : mostMb * 1e6;
    const zipName = zipNameOf(project);
    const all = await sender.send({
      tasks,
      to: where,
      zipName,
      folder,
      mark: orderMark,
      mostBytes,
      ...again,
      ...packet,
    });
    if (all && !again.withoutRefused) session.markSent(history, to === "lab" ? "lab" : "disk");
    if (to === "lab") await queries.invalidateQueries({ queryKey: ["orders"] });
    if (all && to === "lab") await navigate(`/work/${project.id}/orders`);
  }

  if (state.is === "making" || state.is === "paused" || state.is === "handing")
    return <Making sender={sender} state={state} />;
  const first = wanted[0];
  // How it ended is said of what is asked for now, not of something else.
  const same = state.mark === orderMark;
  return (
    <Box>
      {full.length > 0 && full.length < files.length && (
        <Text mb="3" fontSize="14px" color="fg.muted">
          {words.bareLeftOut(files.length - full.length)}
        </Text>
      )}
      {full.length > 1 && (
        <Box mb="4">
          <Segmented
            label={words.which}
            value={which}
            options={[
              ["all", words.allPages(full.length)],
              ["this", words.thisPage],
              ["some", words.somePages],
            ]}
            onChoose={setWhich}
          />
          {which === "some" && (
            <Box mt="3">
              <TextField
                label={words.whichSome}
                value={asked}
                placeholder={project.cover ? "cover, 1-4, 8" : "1-4, 8"}
                onChange={(e) => setAsked(e.target.value.slice(0, 200))}
              />
              {asked !== "" && wanted.length === 0 && (
                <Text fontSize="13.5px" color="clay.600" mt="1" role="alert">
                  {words.noneOfThose}
                </Text>
              )}
            </Box>
          )}
        </Box>
      )}
      {(wanted.length > 1 || takes) && (
        <Box mb="4">
          <Segmented
            label={words.where}
            value={takes || to !== "lab" ? to : "each"}
            options={[
              ["each", wanted.length > 1 ? words.toEach : words.toDisk],
              ...(wanted.length > 1 ? [["zip", words.toZip] as const] : []),
              ...("showDirectoryPicker" in window && wanted.length > 1 ? [["folder", words.toFolder] as const] : []),
              ...(takes ? [["lab", words.toLab] as const] : []),
            ]}
            onChoose={setTo}
          />
        </Box>
      )}
      {project.lab && (to === "lab" || (to === "zip" && wanted.length > 1)) && (
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
          ? words.saveAgain(wanted.length)
          : (same && state.is === "failed") || state.left?.mark === orderMark
            ? words.goOn(wanted.length)
            : to === "lab" && project.lab
              ? words.sendTo(project.lab.name)
              : words.save(fileOptions.kind === "pdf" ? 1 : wanted.length, fileOptions.kind)}
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
