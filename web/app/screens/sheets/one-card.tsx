import { Box, HStack, Text } from "@chakra-ui/react";
import type { DrawnSheet } from "#core/sheet-files";
import { formatSize } from "#core/units";
import { sheets as words } from "../../../text/index.ts";
import { Select } from "../../components/select.tsx";
import { notices } from "../../notices/notices.ts";
import { useFacts } from "../../state/session/facts.ts";
import { useProject, useSession } from "../../state/session/hooks.ts";
import { movePiece } from "../../state/sheets/print-sheets.ts";
import { labelOf } from "./piece-labels.ts";
import { PiecePicture } from "./piece-picture.tsx";

interface OneCardProps {
  readonly sheet: DrawnSheet;
  readonly item: number;
  /** How many sheets there are. */
  readonly of: number;
  readonly onMoved: (toSheet: number) => void;
}

/** The card that is chosen, and the sheet that it lies on: another one by hand. */
export function OneCard({ sheet, item, of, onMoved }: OneCardProps) {
  const session = useSession();
  const project = useProject((s) => s.project);
  const facts = useFacts();
  const want = sheet.wants.get(item)!;
  const { unit, format } = project;
  return (
    <Box as="section" aria-label={words.card(labelOf(project, want, facts), sheet.index + 1)} mb="6">
      <HStack gap="3" align="center" mb="3">
        <PiecePicture want={want} longPx={64} />
        <Box>
          <Text fontWeight="600">{labelOf(project, want, facts)}</Text>
          <Text fontSize="13.5px" color="fg.subtle" fontVariantNumeric="tabular-nums">
            {formatSize(want.widthMm, want.heightMm, unit, format.ppi)}
          </Text>
        </Box>
      </HStack>
      {of > 1 && (
        <HStack gap="3">
          <Text fontSize="14px" fontWeight="500" flexShrink="0">
            {words.moveTo}
          </Text>
          <Select
            label={words.moveTo}
            value={String(sheet.index)}
            options={Array.from({ length: of }, (_, i) => [String(i), words.toSheet(i + 1)] as const)}
            onChoose={(to) => {
              if (movePiece(session, item, Number(to))) onMoved(Number(to));
              else notices.create({ title: words.noRoom, type: "info" });
            }}
          />
        </HStack>
      )}
    </Box>
  );
}
