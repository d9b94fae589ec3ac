import { Box, HStack, Text, VStack } from "@chakra-ui/react";
import { useMemo, useRef, useState } from "react";
import { pageCount, pagesBefore, rulesOf } from "#core/document";
import { pageCounts } from "#core/lab";
import { pace as words } from "../../../text/index.ts";
import { WorkerError } from "../../../workers/protocol.ts";
import { notices } from "../../notices/notices.ts";
import { useServices } from "../../services.ts";
import { type PaceOptions, paceBook, pagesFor, photosToPace } from "../../state/edit/pace.ts";
import { useLibrary, useProject, useSession, useViewState } from "../../state/session/hooks.ts";
import { ConfirmDialog } from "../confirm-dialog.tsx";
import { ProgressBar } from "../progress-bar.tsx";
import { Segmented } from "../segmented.tsx";
import { Select } from "../select.tsx";
import { TextField } from "../text-field.tsx";

/** What is to be paced onto how many pages; then how far it is, with a way to stop. */
export function PaceDialog({ fromHere, onClose }: { readonly fromHere: boolean; readonly onClose: () => void }) {
  const services = useServices();
  const session = useSession();
  const project = useProject((s) => s.project);
  const pageId = useProject((s) => s.pageId);
  const library = useLibrary((s) => s.photos);
  const chosen = useViewState((s) => s.photos.ids);
  const rules = rulesOf(project);
  const at = project.pages.findIndex((p) => p.id === pageId);
  const [onlyChosen, setOnlyChosen] = useState(chosen.size > 1);
  const [here, setHere] = useState(fromHere && at > 0);
  const [span, setSpan] = useState({ from: "", to: "" });
  const [asked, setAsked] = useState<number>();
  const [undatedToo, setUndatedToo] = useState(false);
  const [share, setShare] = useState<number>();
  const stop = useRef<AbortController>(undefined);
  const options: PaceOptions = useMemo(
    () => ({
      ...span,
      chosen: onlyChosen ? chosen : new Set(),
      undatedToo,
      pageCount: asked,
      fromPageId: here ? pageId : undefined,
    }),
    [span, onlyChosen, chosen, undatedToo, asked, here, pageId],
  );
  // biome-ignore lint/correctness/useExhaustiveDependencies: read from the session and the library, which these stand for
  const photos = useMemo(
    () => photosToPace(services, session, options),
    [services, session, options, project, library],
  );
  const undated = library.reduce((n, p) => n + (p.takenFrom === "file" && !p.hidden ? 1 : 0), 0);
  const fitting = pagesFor(session, { ...options, pageCount: undefined }, photos);
  const pages = asked ?? fitting;
  const counts = rules ? pageCounts(rules) : [pageCount(project.pages)];

  async function go() {
    const abort = new AbortController();
    stop.current = abort;
    setShare(0);
    try {
      const made = await paceBook(services, session, options, { signal: abort.signal, onProgress: setShare });
      notices.create({ title: words.done(made.photos, made.pages), type: "success" });
      onClose();
    } catch (e) {
      setShare(undefined);
      const stopped = abort.signal.aborted || (e instanceof WorkerError && e.code === "cancelled");
      notices.create({ title: stopped ? words.stopped : words.failed, type: stopped ? "info" : "error" });
    }
  }

  return (
    <ConfirmDialog
      title={words.title}
      doIt={words.doIt}
      able={photos.length > 0 && share === undefined}
      onDo={() => void go()}
      onClose={() => {
        stop.current?.abort();
        onClose();
      }}
    >
      <VStack align="stretch" gap="4">
        <Text color="fg.muted">{words.lead}</Text>
        {chosen.size > 1 && (
          <Segmented
            label={words.whichPhotos}
            value={onlyChosen ? "chosen" : "all"}
            options={[
              ["all", words.allPhotos(library.length)],
              ["chosen", words.chosenPhotos(chosen.size)],
            ]}
            onChoose={(v) => setOnlyChosen(v === "chosen")}
          />
        )}
        <HStack gap="4">
          <TextField
            label={words.from}
            type="date"
            value={span.from}
            onChange={(e) => setSpan({ ...span, from: e.target.value })}
          />
          <TextField
            label={words.to}
            type="date"
            value={span.to}
            onChange={(e) => setSpan({ ...span, to: e.target.value })}
          />
        </HStack>
        {undated > 0 && !onlyChosen && (
          <Box>
            <Text fontSize="14px" mb="1.5">
              {words.undated(undated)}
            </Text>
            <Segmented
              label={words.undated(undated)}
              value={undatedToo ? "take" : "leave"}
              options={[
                ["leave", words.undatedLeave],
                ["take", words.undatedTake],
              ]}
              onChoose={(v) => setUndatedToo(v === "take")}
            />
          </Box>
        )}
        <Box>
          <Text fontSize="14px" fontWeight="500" color="fg.muted" mb="1">
            {words.pages}
          </Text>
          <Select
            label={words.pages}
            value={asked === undefined ? "fit" : String(asked)}
            options={[["fit", words.fitting(fitting)], ...counts.map((n) => [String(n), String(n)] as const)]}
            onChoose={(v) => setAsked(v === "fit" ? undefined : Number(v))}
          />
        </Box>
        {at > 0 && (
          <Segmented
            label={words.start}
            value={here ? "here" : "all"}
            options={[
              ["all", words.wholeBook],
              ["here", words.fromHere(pagesBefore(project.pages)[at]! + 1)],
            ]}
            onChoose={(v) => setHere(v === "here")}
          />
        )}
        <Text role="status" fontWeight="500">
          {words.sums(photos.length, pages)}
        </Text>
        {share !== undefined && <ProgressBar label={words.working} value={Math.round(share * 100)} />}
      </VStack>
    </ConfirmDialog>
  );
}
