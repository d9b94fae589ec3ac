import { Box, Button, HStack, Text } from "@chakra-ui/react";
import type { PlacedTile, View } from "#core/document";
import type { Brush } from "#core/edit";
import { formatLength } from "#core/units";
import { common, dress as words } from "../../../../text/index.ts";
import { PanelSection } from "../../../components/panel-parts.tsx";
import { Segmented } from "../../../components/segmented.tsx";
import { useServices } from "../../../services.ts";
import { fadeIntoPage, unfade } from "../../../state/edit/fades.ts";
import { openPlaced, usePanel, useSession, useViewState } from "../../../state/session/hooks.ts";
import { SliderRow } from "./slider-row.tsx";

interface BrushingProps {
  readonly tile: PlacedTile;
  readonly view: View;
}

/** The brush that is in hand over a photo, and what else fades it. */
export function Brushing({ tile, view }: BrushingProps) {
  const services = useServices();
  const { viewState } = services;
  const session = useSession();
  const { format } = usePanel(openPlaced);
  const unit = usePanel((s) => s.project.unit);
  const brush = useViewState((s) => s.brush);
  const set = (own: Partial<Brush>) => viewState.setState({ brush: { ...brush, ...own } });
  const slider = (label: string, key: "hardness" | "strength", least: number, most: number) => (
    <SliderRow
      label={label}
      least={least}
      value={brush[key]}
      most={most}
      says={words.share(brush[key])}
      onMove={(v) => set({ [key]: v })}
      onEnd={(v) => set({ [key]: v })}
    />
  );
  return (
    <PanelSection>
      <Text fontSize="13.5px" color="fg.muted" mb="3">
        {words.brushHelp}
      </Text>
      <Box mb="3">
        <Segmented
          label={words.brushDoes}
          value={brush.does}
          options={[
            ["hide", words.brushWays.hide],
            ["show", words.brushWays.show],
          ]}
          onChoose={(does) => set({ does })}
        />
      </Box>
      <SliderRow
        label={words.brushSize}
        least={1}
        value={brush.radiusMm}
        most={60}
        step={0.5}
        says={formatLength(2 * brush.radiusMm, unit, format.ppi)}
        onMove={(radiusMm) => set({ radiusMm })}
        onEnd={(radiusMm) => set({ radiusMm })}
      />
      {slider(words.brushHardness, "hardness", 0, 0.8)}
      {slider(words.strength, "strength", 0.1, 1)}
      <HStack wrap="wrap" gap="1" mt="3">
        <Button size="sm" variant="outline" w="full" onClick={() => fadeIntoPage(services, session, [tile.id])}>
          {words.fadeAround}
        </Button>
        <Button size="sm" variant="ghost" w="full" disabled={!view.fade} onClick={() => unfade(session, [tile.id])}>
          {words.unfade}
        </Button>
      </HStack>
      <Button mt="3" w="full" onClick={() => viewState.setState({ reframing: undefined, brushing: false })}>
        {common.done}
      </Button>
    </PanelSection>
  );
}
