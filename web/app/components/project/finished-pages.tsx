import { Box, Text, VStack } from "@chakra-ui/react";
import { FilePlus } from "lucide-react";
import { useRef, useState } from "react";
import { coverFormat, type Room } from "#core/document";
import { formatLength } from "#core/units";
import { book, common, work as words } from "../../../text/index.ts";
import { notices } from "../../notices/notices.ts";
import { useServices } from "../../services.ts";
import { bringFinished, bringOntoCover, type Remark } from "../../state/edit/finished-pages.ts";
import { removePages } from "../../state/edit/page-list.ts";
import type { ProjectSession } from "../../state/session/project-session.ts";
import { ConfirmDialog } from "../confirm-dialog.tsx";
import { Select } from "../select.tsx";

/** Pages made elsewhere, as whole pages of this work; with a word on each that does not fit or is not sharp. */
export function FinishedPages({
  session,
  onClose,
}: {
  readonly session: ProjectSession;
  readonly onClose: () => void;
}) {
  const services = useServices();
  const input = useRef<HTMLInputElement>(null);
  const [reading, setReading] = useState<string>();
  const [remarks, setRemarks] = useState<readonly Remark[]>();
  const { project, pageId } = session.state.getState();
  const { unit, format } = project;
  const onCover = project.cover?.id === pageId;
  const [part, setPart] = useState<Room["of"]>("front");
  const regions = (coverFormat(project)?.regions ?? []).map((r) => r.of);
  const length = (mm: number) => formatLength(mm, unit, format.ppi);
  const size = (mm: { readonly w: number; readonly h: number }) =>
    `${formatLength(mm.w, unit, format.ppi)} × ${formatLength(mm.h, unit, format.ppi)}`;

  async function take(files: readonly File[]) {
    const [first] = files;
    if (first && onCover) setReading(first.name);
    const made =
      onCover && first
        ? await bringOntoCover(services, session, part, first)
        : await bringFinished(services, session, files, setReading);
    setReading(undefined);
    const { leftOver } = made;
    if (made.pages > 0)
      notices.create({
        title: words.finishedDone(made.pages),
        type: "success",
        ...(leftOver.length > 0
          ? {
              action: {
                label: words.finishedLeftOver(leftOver.length),
                onClick: () => removePages(services, session, leftOver),
              },
            }
          : {}),
      });
    if (made.asked) notices.create({ title: words.finishedAsked, type: "info" });
    if (made.remarks.length > 0) setRemarks(made.remarks);
    else onClose();
  }

  return (
    <ConfirmDialog
      told={remarks !== undefined}
      title={remarks ? words.remarksTitle : words.finishedTitle}
      doIt={remarks ? common.done : onCover ? words.finishedChooseOne : words.finishedChoose}
      able={reading === undefined}
      onClose={onClose}
      onDo={() => (remarks ? onClose() : input.current?.click())}
    >
      <VStack align="stretch" gap="3">
        {remarks ? (
          <Box as="ul" pl="5" listStyleType="disc" maxH="320px" overflowY="auto">
            {remarks.map((r) => (
              <Text as="li" key={`${r.code} ${r.name}`} mb="1">
                {r.code === "shape"
                  ? words.finishedShape(r.name, size(r.has), size(r.wants))
                  : r.code === "edges"
                    ? words.finishedEdges(r.name, length(r.sidesMm), length(r.endsMm))
                    : r.code === "soft"
                      ? words.finishedSoft(r.name, r.ppi, r.least)
                      : words.finishedBad(r.name)}
              </Text>
            ))}
          </Box>
        ) : (
          <Text color="fg.muted">{onCover ? words.finishedCoverLead : words.finishedLead}</Text>
        )}
        {onCover && !remarks && (
          <Select
            label={words.finishedPart}
            value={part}
            options={[
              ...regions.map((of) => [of, book.panelNames[of]] as const),
              ["page", words.finishedWholeCover] as const,
            ]}
            onChoose={setPart}
          />
        )}
        {reading !== undefined && (
          <Text role="status" fontWeight="500">
            <FilePlus size={16} aria-hidden style={{ display: "inline" }} /> {words.finishedReading(reading)}
          </Text>
        )}
        <input
          ref={input}
          type="file"
          multiple={!onCover}
          hidden
          accept=".pdf,.jpg,.jpeg,.png,.tif,.tiff"
          onChange={(e) => {
            const files = [...(e.currentTarget.files ?? [])];
            e.currentTarget.value = "";
            if (files.length > 0) void take(files);
          }}
        />
      </VStack>
    </ConfirmDialog>
  );
}
