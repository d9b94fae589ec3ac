import { Box, Button, Heading, VStack } from "@chakra-ui/react";
import { FileDown, ListOrdered, Send } from "lucide-react";
import { useState } from "react";
import { useStore } from "zustand";
import type { DrawnSheet } from "#core/sheet-files";
import type { PrintSheets } from "#core/sheets";
import { sheets as words } from "../../../text/index.ts";
import { Making, SendEnd } from "../../components/making-progress.tsx";
import { NumberField } from "../../components/number-field.tsx";
import { sheetSenderOf } from "../../state/sending/senders.ts";
import { isServed } from "../../state/sending/to-lab.ts";
import { useSession } from "../../state/session/hooks.ts";
import { useSheetFiles } from "./use-sheet-files.ts";

/** As many as a packet may ask for. */
const mostCopies = 1000;

export interface SheetFilesProps {
  readonly sheets: PrintSheets;
  readonly drawn: readonly DrawnSheet[];
}

/** The sheets as files for whoever prints them, and the list to cut by. */
export function SheetFiles({ sheets, drawn }: SheetFilesProps) {
  const sender = sheetSenderOf(useSession());
  const state = useStore(sender.state);
  const [copies, setCopies] = useState(1);
  const { card, options, saveSheets, order, saveList } = useSheetFiles(sheets, drawn, copies);
  return (
    <Box as="section" mb="6">
      <Heading as="h3" fontFamily="body" fontSize="15px" fontWeight="600" mb="2.5">
        {words.files}
      </Heading>
      {state.is === "making" || state.is === "paused" || state.is === "handing" ? (
        <Making sender={sender} state={state} />
      ) : (
        <>
          <VStack align="stretch" gap="2">
            <Button variant="outline" onClick={saveSheets}>
              <FileDown size={18} aria-hidden /> {words.saveSheets(drawn.length)}
            </Button>
            {card && (
              <NumberField
                label={words.sheetCopies}
                value={copies}
                least={1}
                most={mostCopies}
                step={1}
                onNumber={(n) => setCopies(Math.round(n))}
              />
            )}
            {card && isServed(card) && (
              <Button variant="outline" onClick={() => void order(card)}>
                <Send size={18} aria-hidden /> {words.orderFrom(card.name)}
              </Button>
            )}
            <Button variant="outline" onClick={saveList}>
              <ListOrdered size={18} aria-hidden /> {words.saveList}
            </Button>
          </VStack>
          <SendEnd state={state} size={undefined} ppi={0} colour={options.colour} />
        </>
      )}
    </Box>
  );
}
