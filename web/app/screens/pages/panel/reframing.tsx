import { Box, Button, HStack, Switch, Text } from "@chakra-ui/react";
import { CaretsToAxisDashedHorizontal, CaretsToAxisDashedVertical, RotateCcw, RotateCw, Ruler } from "lucide-react";
import type { ReactNode } from "react";
import { framingOf, type PlacedTile, pictureRect, type View } from "#core/document";
import { type Framing, mostZoom, settled, turnParts, withinHalf, zoomed } from "#core/fit";
import { aspectOf, type Photo, photoShape } from "#core/photo";
import { common, panel as words } from "../../../../text/index.ts";
import { Act, Bead, PanelSection } from "../../../components/panel-parts.tsx";
import { useServices } from "../../../services.ts";
import { reframeChange, resetFraming } from "../../../state/edit/page-gestures.ts";
import { openPlaced, usePanel, useSession, useViewState } from "../../../state/session/hooks.ts";
import { ColourRow } from "./colour-row.tsx";

interface ReframingProps {
  readonly tile: PlacedTile;
  readonly photo: Photo;
  readonly view: View;
}

/** Everything about how a tile looks at its photo, for those who would rather not use the wheel. */
export function Reframing({ tile, photo, view }: ReframingProps) {
  const { viewState } = useServices();
  const session = useSession();
  const page = usePanel(openPlaced);
  const { format } = page;
  const straightening = useViewState((s) => s.straightening);
  const aspect = aspectOf(photo);
  const part = tile.through && tile.tile.through;
  const rect = tile.through ?? pictureRect(tile);
  const framing: Framing = part ? part.view : framingOf(view, photoShape(photo), tile, format);
  const now = settled(aspect, rect, framing);
  const least = settled(aspect, rect, { ...framing, zoom: 0 }).zoom;
  const change = (next: Framing, behind = view.behind) => reframeChange(page.page, tile.id, { ...view, behind }, next);
  const keep = (next: Framing, behind = view.behind) =>
    session.commit({ code: "reframed", count: 1 }, [change(next, behind)]);
  // What shows all of itself goes on doing so when it is turned.
  const zoom = view.whole && now.zoom <= least * 1.001 ? 0 : now.zoom;
  const turn = (by: number) => keep({ ...now, zoom, turn: withinHalf(view.turn + by) });
  const { quarters, fine } = turnParts(view.turn);
  // A slider of equal ratios, so that the same way means the same enlargement anywhere.
  const toZoom = (v: number) => least * (mostZoom / least) ** v;
  return (
    <PanelSection>
      <Text fontSize="13.5px" color="fg.muted" mb="3">
        {words.reframeHelp}
      </Text>
      <Slot label={words.zoom} figure={`${Math.round(now.zoom * 100)} %`}>
        <Bead
          label={words.zoom}
          least={0}
          most={1}
          step={0.01}
          value={Math.log(now.zoom / least) / Math.log(mostZoom / least)}
          onMove={(v) => session.preview([change(zoomed(aspect, rect, framing, toZoom(v)))])}
          onEnd={(v) => keep(zoomed(aspect, rect, framing, toZoom(v)))}
        />
      </Slot>
      <Slot label={words.turn} figure={`${Math.round(fine * 10) / 10}°`}>
        <Bead
          label={words.turn}
          least={-45}
          most={45}
          step={0.5}
          value={fine}
          onMove={(v) => session.preview([change({ ...framing, turn: quarters + v })])}
          onEnd={(v) => keep({ ...framing, turn: quarters + v })}
        />
      </Slot>
      <HStack gap="1.5" mb="2">
        <Act grows icon={RotateCcw} name={words.quarterLeft} onAct={() => turn(-90)} />
        <Act grows icon={RotateCw} name={words.quarterRight} onAct={() => turn(90)} />
        <Act
          grows
          icon={CaretsToAxisDashedVertical}
          name={words.flip}
          onAct={() => keep({ ...framing, flip: !view.flip, centre: { x: 1 - now.centre.x, y: now.centre.y } })}
        />
        <Act
          grows
          icon={CaretsToAxisDashedHorizontal}
          name={words.flipDown}
          onAct={() =>
            keep({
              ...framing,
              flip: !view.flip,
              turn: withinHalf(view.turn + 180),
              centre: { x: 1 - now.centre.x, y: now.centre.y },
            })
          }
        />
        <Act
          grows
          icon={Ruler}
          name={words.straighten}
          pressed={straightening}
          onAct={() => viewState.setState({ straightening: !straightening })}
        />
      </HStack>
      {straightening && (
        <Text fontSize="13.5px" color="glaze.700" mb="2" role="status">
          {words.straightenHelp}
        </Text>
      )}
      {!part && (
        <Switch.Root
          size="sm"
          my="2"
          checked={view.whole}
          onCheckedChange={(e) =>
            keep(
              e.checked
                ? { ...now, whole: true, zoom: 0, centre: { x: 0.5, y: 0.5 } }
                : { ...now, whole: false, zoom: Math.max(1, now.zoom) },
            )
          }
        >
          <Switch.HiddenInput />
          <Switch.Control />
          <Switch.Label fontSize="14px">{words.whole}</Switch.Label>
        </Switch.Root>
      )}
      {view.whole && (
        <Box mt="1">
          <ColourRow
            label={words.behind}
            colour={view.behind ?? page.look.background}
            onMove={(behind) => session.preview([change(framing, behind)])}
            onEnd={(behind) => keep(framing, behind)}
          />
          <Button size="sm" variant="ghost" disabled={view.behind === null} onClick={() => keep(framing, null)}>
            {words.behindPage}
          </Button>
        </Box>
      )}
      <Button size="sm" variant="ghost" disabled={!view.byHand} onClick={() => resetFraming(session, tile.id, photo)}>
        {words.reset}
      </Button>
      <Button mt="3" w="full" onClick={() => viewState.setState({ reframing: undefined, straightening: false })}>
        {common.done}
      </Button>
    </PanelSection>
  );
}

interface SlotProps {
  readonly label: string;
  readonly figure: string;
  readonly children: ReactNode;
}

function Slot({ label, figure, children }: SlotProps) {
  return (
    <Box mb="3">
      <HStack justify="space-between" fontSize="14px" mb="1.5">
        <Text fontWeight="500" color="fg.muted">
          {label}
        </Text>
        <Text fontVariantNumeric="tabular-nums">{figure}</Text>
      </HStack>
      {children}
    </Box>
  );
}
