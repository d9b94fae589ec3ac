import { Box, Button, Flex, Grid, Heading, Text, VStack } from "@chakra-ui/react";
import { useMemo, useState } from "react";
import { drawnSheets } from "#core/sheet-files";
import { sheets as words } from "../../../text/index.ts";
import { useUndoKeys } from "../../commands/history-keys.ts";
import { Changeable } from "../../components/changeable.tsx";
import { useServices } from "../../services.ts";
import { useProject, useSession } from "../../state/session/hooks.ts";
import { isPacked, sheetsOf, wantInserts, wantPages } from "../../state/sheets/print-sheets.ts";
import { AlternativesPanel } from "./alternatives-panel.tsx";
import { CutOrder } from "./cut-order.tsx";
import { OneCard } from "./one-card.tsx";
import { Packer } from "./packer.tsx";
import { PhotoSizes } from "./photo-sizes.tsx";
import { SheetDrawing } from "./sheet-drawing.tsx";
import { SheetFiles } from "./sheet-files.tsx";
import { SheetStrip } from "./sheet-strip.tsx";
import { StockPanel } from "./stock-panel.tsx";
import { Wanted } from "./wanted.tsx";

/** What is printed to be cut apart: what it is, the sheets as they are cut, and in which order. */
export function SheetsScreen() {
  useUndoKeys();
  const project = useProject((s) => s.project);
  const sheets = sheetsOf(project);
  const drawn = useMemo(() => drawnSheets(sheets), [sheets]);
  const [at, setAt] = useState(0);
  const [item, setItem] = useState<number>();
  const [overCut, setOverCut] = useState<number>();
  const open = drawn[Math.min(at, drawn.length - 1)];
  if (sheets.wants.length === 0) return <NothingYet />;
  const card = open?.laid.cards.find((c) => c.item === item);
  return (
    <Grid h="full" templateColumns="292px minmax(0, 1fr) 316px" minH="0">
      <Box overflowY="auto" bg="bg.panel" borderRightWidth="1px" borderColor="oat.300" px="5" py="6">
        <Changeable>
          <Wanted sheets={sheets} />
        </Changeable>
      </Box>
      <Flex direction="column" minH="0" minW="0" bg="mat.light">
        {open ? (
          <>
            <SheetDrawing
              key={open.index}
              sheet={open}
              of={drawn.length}
              chosen={item}
              onChoose={setItem}
              overCut={overCut}
            />
            <SheetStrip
              sheets={drawn}
              open={open.index}
              onOpen={(n) => {
                setAt(n);
                setItem(undefined);
              }}
            />
          </>
        ) : (
          <VStack flex="1" justify="center" textAlign="center" p="8">
            <Heading as="h1" fontSize="27px" fontWeight="520">
              {words.title}
            </Heading>
            <Text color="fg.muted" maxW="380px">
              {words.lead}
            </Text>
          </VStack>
        )}
      </Flex>
      <Box overflowY="auto" bg="bg.panel" borderLeftWidth="1px" borderColor="oat.300" px="5" py="6">
        <Packer sheets={sheets} />
        {open && card && (
          <OneCard
            sheet={open}
            item={card.item}
            of={drawn.length}
            onMoved={(to) => {
              setAt(to);
            }}
          />
        )}
        {open && <CutOrder sheet={open} onOver={setOverCut} />}
        {open && isPacked(sheets) && <SheetFiles sheets={sheets} drawn={drawn} />}
        <StockPanel stock={sheets.stock} />
        <AlternativesPanel ways={sheets.ways} />
      </Box>
    </Grid>
  );
}

/** What can be printed at all, to begin with. */
function NothingYet() {
  const services = useServices();
  const session = useSession();
  const pockets = useProject((s) => s.project.kind === "pockets");
  const [photos, setPhotos] = useState(false);
  return (
    <VStack h="full" justify="center" gap="3" textAlign="center" p="8">
      <Heading as="h1" fontSize="28px" fontWeight="520">
        {words.empty}
      </Heading>
      <Text color="fg.muted" maxW="460px">
        {words.emptyLead}
      </Text>
      <Flex gap="3" mt="3">
        {pockets && <Button onClick={() => wantInserts(services, session)}>{words.takeCards}</Button>}
        <Button variant={pockets ? "outline" : "solid"} onClick={() => wantPages(services, session)}>
          {words.takePages}
        </Button>
        <Button variant="outline" onClick={() => setPhotos(true)}>
          {words.takePhotos}
        </Button>
      </Flex>
      {photos && <PhotoSizes onClose={() => setPhotos(false)} />}
    </VStack>
  );
}
