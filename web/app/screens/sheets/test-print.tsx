import { Box, Button, HStack, Text } from "@chakra-ui/react";
import { Ruler } from "lucide-react";
import { useState } from "react";
import { rulerLength, testPrint } from "#core/sheet-files";
import { usableSizes } from "#core/sheets";
import { formatLength } from "#core/units";
import { fileTitle } from "../../../text/in-latin.ts";
import { printTrouble, sheets as words } from "../../../text/index.ts";
import { WorkerError } from "../../../workers/protocol.ts";
import { LengthField } from "../../components/length-field.tsx";
import { useServices } from "../../services.ts";
import { endingOf } from "../../state/sending/file-options.ts";
import { saveToDisk } from "../../state/sending/save-to-disk.ts";
import { useProject, useSession } from "../../state/session/hooks.ts";
import { changeSheets } from "../../state/sheets/print-sheets.ts";

/** Beyond this something else is wrong than a printer that enlarges a little. */
const [least, most] = [0.8, 1.25];

/** A sheet with rulers to print first; what they measure is typed in, and all sheets are made to it. */
export function TestPrint() {
  const services = useServices();
  const session = useSession();
  const project = useProject((s) => s.project);
  const [making, setMaking] = useState(false);
  const [trouble, setTrouble] = useState<string>();
  const { sheets, unit, format } = project;
  const size = sheets && usableSizes(sheets)[0];
  if (!sheets || !size) return null;
  const long = rulerLength(size);
  const length = (mm: number) => formatLength(mm, unit, format.ppi);
  const card = sheets.stock?.kind === "lab" ? sheets.stock.card : undefined;

  async function save() {
    setMaking(true);
    setTrouble(undefined);
    const kind = card?.file.kind ?? "jpeg";
    const file = testPrint(project, size!, {
      across: words.rulerAcross(length(long)),
      down: words.rulerDown(length(long)),
    });
    const colour = card?.file.colour ?? "srgb";
    const options = { kind, colour, quality: 0.95, chroma: "444", progressive: false } as const;
    try {
      const made = await services.printing.run("printPicture", {
        file,
        options,
        photos: [],
        ownFonts: services.fonts.own(),
      });
      saveToDisk(made.file, `${fileTitle(`${project.name} ${words.testName}`)}.${endingOf(kind)}`);
    } catch (e) {
      setTrouble(e instanceof WorkerError ? printTrouble(e.code, e.message) : printTrouble("", String(e)));
    }
    setMaking(false);
  }

  return (
    <Box mt="4">
      <Text fontSize="14px" fontWeight="500" color="fg.muted" mb="1.5">
        {words.test}
      </Text>
      <Text fontSize="13.5px" color="fg.muted" mb="2.5">
        {words.testLead(length(long))}
      </Text>
      <Button size="sm" variant="outline" w="full" disabled={making} onClick={() => void save()}>
        <Ruler size={16} aria-hidden /> {words.testSave}
      </Button>
      {trouble && (
        <Text role="alert" mt="2" fontSize="14px" color="clay.600">
          {trouble}
        </Text>
      )}
      <HStack mt="3" align="end" gap="3">
        <Box flex="1">
          <LengthField
            label={words.testMeasures}
            mm={long * sheets.printsAt}
            unit={unit}
            ppi={format.ppi}
            onMm={(mm) => {
              const printsAt = mm / long;
              if (printsAt < least || printsAt > most) return words.testOff(length(long * least), length(long * most));
              if (printsAt !== sheets.printsAt) changeSheets(session, { printsAt });
              return undefined;
            }}
          />
        </Box>
      </HStack>
      {sheets.printsAt !== 1 && (
        <Text mt="2" fontSize="13.5px" color="fg.muted" role="status">
          {words.testMade(((1 / sheets.printsAt - 1) * 100).toFixed(1))}
        </Text>
      )}
    </Box>
  );
}
