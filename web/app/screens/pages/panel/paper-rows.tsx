import { Box, Button, HStack, IconButton, Text } from "@chakra-ui/react";
import { Wallpaper } from "lucide-react";
import { diagonalTurn, inDesign, type Paper, type PaperName, paperDesign } from "#core/artwork";
import type { Size } from "#core/geometry";
import type { PageFormat } from "#core/lab";
import { formatLength, type Unit } from "#core/units";
import { papers as words } from "../../../../text/index.ts";
import { PaperSwatch } from "../../../components/paper-swatch.tsx";
import { Toggle } from "../../../components/toggle.tsx";
import { Tooltip } from "../../../components/tooltip.tsx";
import { useServices } from "../../../services.ts";
import { usePanel } from "../../../state/session/hooks.ts";
import { openDrawer } from "../shelf/shelf-size.ts";
import { ColourPick } from "./colour-row.tsx";
import { SliderRow } from "./slider-row.tsx";

interface PaperRowsProps {
  readonly paper: Paper;
  /** What it fills, in mm. */
  readonly fills: Size;
  /** Of tiles, which may share one sheet, or be turned. */
  readonly inTiles?: { readonly turned: boolean };
  readonly unit: Unit;
  readonly format: PageFormat;
  readonly onShow: (paper: Paper) => void;
  /** `slider`: what was moved, so that a row of movements is one step. */
  readonly onKeep: (paper: Paper | undefined, slider?: string) => void;
}

/** How a paper lies in what it fills, and its colours. */
export function PaperRows({ paper, fills, inTiles, unit, format, onShow, onKeep }: PaperRowsProps) {
  const { viewState } = useServices();
  const palette = usePanel((s) => s.project.palette);
  const { scale = 1, turn = 0, shift = { x: 0, y: 0 }, strength = 1 } = paper;
  const known = paperDesign(paper.design);
  const far = Math.max(10, Math.round(Math.max(known?.repeat.w ?? 0, known?.repeat.h ?? 0) * scale));
  const mm = (v: number) => formatLength(v, unit, format.ppi);
  const rows = [
    ["scale", words.size, 0.2, scale, 4, 0.05, words.share(scale), (v: number) => ({ scale: v })],
    ["turn", words.turn, -90, turn, 90, 1, words.degrees(turn), (v: number) => ({ turn: v })],
    ["right", words.right, -far, shift.x, far, 0.5, mm(shift.x), (x: number) => ({ shift: { ...shift, x } })],
    ["down", words.down, -far, shift.y, far, 0.5, mm(shift.y), (y: number) => ({ shift: { ...shift, y } })],
    ["strength", words.strength, 0, strength, 1, 0.05, words.share(strength), (v: number) => ({ strength: v })],
  ] as const;
  const inked = (i: number, colour: string): Paper => ({
    ...paper,
    colours: paper.colours.map((c, k) => (k === i ? colour : c)),
    ownColours: true,
  });
  return (
    <Box>
      <HStack gap="3" mb="2">
        <Box borderRadius="thumb" overflow="hidden" flexShrink="0">
          <PaperSwatch paper={paper} width={56} height={44} acrossMm={32} />
        </Box>
        <Box minW="0" flex="1">
          <Text fontSize="14px" fontWeight="500" truncate>
            {words.nameOf(paper.design)}
          </Text>
          <HStack gap="1" ml="-1.5">
            <Button size="xs" px="1.5" variant="ghost" onClick={() => openDrawer(viewState, "papers")}>
              {words.another}
            </Button>
            <Button size="xs" px="1.5" variant="ghost" onClick={() => onKeep(undefined)}>
              {words.none}
            </Button>
          </HStack>
        </Box>
      </HStack>
      {!known && (
        <Text fontSize="13.5px" color="fg.muted" mb="2">
          {words.unknown}
        </Text>
      )}
      <HStack role="group" aria-label={words.colours} gap="1.5" mb="2" wrap="wrap">
        {paper.colours.map((c, i) => (
          <ColourPick
            // biome-ignore lint/suspicious/noArrayIndexKey: an ink is known by its place
            key={i}
            label={i === 0 ? words.ground : words.ink(i)}
            colour={c}
            filled
            onMove={(colour) => onShow(inked(i, colour))}
            onEnd={(colour) => onKeep(inked(i, colour))}
          />
        ))}
        {paper.ownColours && known && (
          <Button
            size="xs"
            px="1.5"
            variant="ghost"
            onClick={() => {
              const { ownColours: _, ...rest } = paper;
              onKeep(inDesign(rest, paper.design as PaperName, palette));
            }}
          >
            {words.byPalette}
          </Button>
        )}
      </HStack>
      {rows.map(([name, label, least, value, most, step, says, set]) => (
        <SliderRow
          key={name}
          label={label}
          least={least}
          value={value}
          most={most}
          step={step}
          says={says}
          onMove={(v) => onShow({ ...paper, ...set(v) })}
          onEnd={(v) => onKeep({ ...paper, ...set(v) }, name)}
        />
      ))}
      <HStack gap="1.5" mb="2" wrap="wrap">
        <Button size="xs" px="2" variant="outline" onClick={() => onKeep({ ...paper, turn: 0 })}>
          {words.along}
        </Button>
        <Button
          size="xs"
          px="2"
          variant="outline"
          onClick={() => onKeep({ ...paper, turn: Math.round(diagonalTurn(paper, fills) * 1000) / 1000 })}
        >
          {words.diagonal}
        </Button>
      </HStack>
      {inTiles && (
        <Box mb="2">
          <Toggle
            label={words.runsOn}
            on={paper.runsOn === true}
            onTurn={(on) => onKeep({ ...paper, runsOn: on ? true : undefined })}
          />
        </Box>
      )}
      {inTiles?.turned && !paper.runsOn && (
        <Box mb="2">
          <Toggle
            label={words.upright}
            on={paper.upright === true}
            onTurn={(on) => onKeep({ ...paper, upright: on ? true : undefined })}
          />
        </Box>
      )}
    </Box>
  );
}

/** Where there is no paper yet: the way to them, no higher than the label that it stands beside. */
export function GivePaper() {
  const { viewState } = useServices();
  return (
    <Tooltip words={words.onlyColour}>
      <IconButton
        size="xs"
        w="30px"
        h="30px"
        minW="30px"
        my="-5px"
        variant="outline"
        borderRadius="full"
        aria-label={words.onlyColour}
        onClick={() => openDrawer(viewState, "papers")}
      >
        <Wallpaper size={16} aria-hidden />
      </IconButton>
    </Tooltip>
  );
}
