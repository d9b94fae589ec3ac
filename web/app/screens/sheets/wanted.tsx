import { Box, Button, chakra, Flex, Grid, Heading, HStack, Text, VStack } from "@chakra-ui/react";
import { ChevronDown, ChevronUp } from "lucide-react";
import { useState } from "react";
import type { PrintSheets, Want } from "#core/sheets";
import { formatSize } from "#core/units";
import { sheets as words } from "../../../text/index.ts";
import { Checkbox } from "../../components/checkbox.tsx";
import { LengthField } from "../../components/length-field.tsx";
import { DropRow } from "../../components/list-rows.tsx";
import { NumberField } from "../../components/number-field.tsx";
import { useServices } from "../../services.ts";
import { useProject, useSession } from "../../state/session/hooks.ts";
import {
  changeWants,
  dropWants,
  outdatedCards,
  type WantGroup,
  wantGroups,
  wantInserts,
  wantPages,
} from "../../state/sheets/print-sheets.ts";
import { PhotoSizes } from "./photo-sizes.tsx";
import { PiecePicture } from "./piece-picture.tsx";

/** How many pictures of a group are shown. */
const mostPictures = 8;
const nothing: ReadonlySet<string> = new Set();

/** Everything that is to be printed, by kind and size. */
export function Wanted({ sheets }: { readonly sheets: PrintSheets }) {
  const services = useServices();
  const session = useSession();
  const pockets = useProject((s) => s.project.kind === "pockets");
  const outdated = useProject((s) => outdatedCards(s.project));
  const [photos, setPhotos] = useState(false);
  return (
    <>
      <Heading as="h2" fontSize="20px" fontWeight="540" mb="4">
        {words.wanted}
      </Heading>
      {outdated > 0 && (
        <Box
          role="status"
          bg="saffron.100"
          color="saffron.700"
          borderRadius="soft"
          px="3"
          py="2.5"
          mb="4"
          fontSize="14px"
        >
          {words.outdated(outdated)}
          <Button size="sm" variant="outline" mt="2" onClick={() => wantInserts(services, session)}>
            {words.takeCardsAgain}
          </Button>
        </Box>
      )}
      <VStack align="stretch" gap="4">
        {wantGroups(sheets.wants).map((g) => (
          <Group key={g.key} group={g} />
        ))}
      </VStack>
      <Flex direction="column" align="stretch" gap="2" mt="5">
        {pockets && outdated === 0 && (
          <Button variant="outline" size="sm" onClick={() => wantInserts(services, session)}>
            {words.takeCards}
          </Button>
        )}
        <Button variant="outline" size="sm" onClick={() => wantPages(services, session)}>
          {words.takePages}
        </Button>
        <Button variant="outline" size="sm" onClick={() => setPhotos(true)}>
          {words.takePhotos}
        </Button>
      </Flex>
      {photos && <PhotoSizes onClose={() => setPhotos(false)} />}
    </>
  );
}

function Group({ group }: { readonly group: WantGroup }) {
  const session = useSession();
  const unit = useProject((s) => s.project.unit);
  const ppi = useProject((s) => s.project.format.ppi);
  const [open, setOpen] = useState(false);
  const [picked, setPicked] = useState<ReadonlySet<string>>(nothing);
  const ids = new Set(group.wants.map((w) => w.id));
  const some = open ? group.wants.filter((w) => picked.has(w.id)) : [];
  const meant = some.length > 0 ? some : group.wants;
  const first = meant[0]!;
  const change = (next: Partial<Want>) => changeWants(session, new Set(meant.map((w) => w.id)), next);
  const pick = (id: string) => {
    const next = new Set(picked);
    if (!next.delete(id)) next.add(id);
    setPicked(next);
  };
  const size = formatSize(first.widthMm, first.heightMm, unit, ppi);
  const kind = words.kinds[first.source.from](group.count);
  const length = (label: string, key: "bleedMm" | "spareMm" | "borderMm" | "cornerMm", most: number, help?: string) => (
    <LengthField
      label={label}
      mm={first[key]}
      unit={unit}
      ppi={ppi}
      {...(help ? { help } : {})}
      onMm={(mm) => (mm >= 0 && mm <= most ? void change({ [key]: mm }) : `0 – ${most} mm`)}
    />
  );
  return (
    <Box
      as="section"
      aria-label={words.group(kind, size)}
      borderWidth="1px"
      borderColor="oat.300"
      borderRadius="card"
      bg="oat.25"
      p="3"
    >
      <HStack justify="space-between" align="start">
        <Box>
          <Text fontWeight="600">{kind}</Text>
          <Text fontSize="13.5px" color="fg.subtle" fontVariantNumeric="tabular-nums">
            {size}
          </Text>
        </Box>
        <DropRow label={words.remove(`${kind}, ${size}`)} onDrop={() => dropWants(session, ids)} />
      </HStack>
      {open ? (
        <Pick group={group} picked={picked} onPick={pick} />
      ) : (
        <HStack gap="1.5" mt="2" wrap="wrap" align="end">
          {group.wants.slice(0, mostPictures).map((w) => (
            <PiecePicture key={w.id} want={w} longPx={40} />
          ))}
          {group.wants.length > mostPictures && (
            <Text fontSize="13px" color="fg.subtle">
              + {group.wants.length - mostPictures}
            </Text>
          )}
        </HStack>
      )}
      <Grid templateColumns="1fr auto" gap="3" mt="3" alignItems="end">
        <NumberField
          label={meant.every((w) => w.count === first.count) ? words.copies : words.copiesDiffer}
          value={first.count}
          least={0}
          most={500}
          step={1}
          onNumber={(n) => change({ count: Math.round(n) })}
        />
        <Button
          size="sm"
          variant="ghost"
          aria-expanded={open}
          aria-label={open ? words.less : words.more}
          title={open ? words.less : words.more}
          onClick={() => setOpen(!open)}
        >
          {open ? <ChevronUp size={17} aria-hidden /> : <ChevronDown size={17} aria-hidden />}
        </Button>
      </Grid>
      {open && (
        <Flex direction="column" gap="3" mt="3">
          <Grid templateColumns="1fr 1fr" gap="3">
            {length(words.bleed, "bleedMm", 25)}
            {length(words.spare, "spareMm", 20, words.spareHelp)}
            {length(words.border, "borderMm", 50)}
            {length(words.corner, "cornerMm", 50)}
          </Grid>
          <Checkbox label={words.turns} on={first.turns} onToggle={(turns) => change({ turns })} />
          <Checkbox label={words.fills} on={first.fills} onToggle={(fills) => change({ fills })} />
        </Flex>
      )}
    </Box>
  );
}

interface PickProps {
  readonly group: WantGroup;
  readonly picked: ReadonlySet<string>;
  readonly onPick: (wantId: string) => void;
}

/** Every piece of a group, to say something of only some of them. */
function Pick({ group, picked, onPick }: PickProps) {
  const some = group.wants.filter((w) => picked.has(w.id)).length;
  return (
    <Box mt="2">
      <Text fontSize="13.5px" color="fg.muted" role="status">
        {some === 0 ? words.forAll : words.forSome(some, group.wants.length)}
      </Text>
      <Flex gap="1.5" mt="2" wrap="wrap" align="end" maxH="260px" overflowY="auto" p="1">
        {group.wants.map((w, i) => (
          <chakra.button
            key={w.id}
            type="button"
            aria-pressed={picked.has(w.id)}
            aria-label={words.piece(i + 1, w.count)}
            title={words.piece(i + 1, w.count)}
            onClick={() => onPick(w.id)}
            position="relative"
            outlineOffset="2px"
            {...(picked.has(w.id) ? { boxShadow: "0 0 0 3px {colors.glaze.500}" } : {})}
          >
            <PiecePicture want={w} longPx={52} />
            {w.count !== 1 && (
              <Text
                as="span"
                position="absolute"
                right="0"
                bottom="0"
                px="1"
                fontSize="12px"
                fontWeight="600"
                bg="oat.25"
                color="ink.900"
                borderTopLeftRadius="soft"
              >
                × {w.count}
              </Text>
            )}
          </chakra.button>
        ))}
      </Flex>
    </Box>
  );
}
