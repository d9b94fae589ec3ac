import { Box, Button, HStack, Text } from "@chakra-ui/react";
import { useState } from "react";
import type { PlacedTile, View } from "#core/document";
import type { Point, Size } from "#core/geometry";
import type { PageFormat } from "#core/lab";
import { formatLength, type Unit } from "#core/units";
import { papers as words } from "../../../../text/index.ts";
import { PanelSection } from "../../../components/panel-parts.tsx";
import { Toggle } from "../../../components/toggle.tsx";
import { useServices } from "../../../services.ts";
import { layAsPaper, type Repeats, repeatsChange } from "../../../state/edit/paper-pictures.ts";
import { openPlaced, useLibrary, usePanel, useSession } from "../../../state/session/hooks.ts";
import { LengthRow } from "./length-row.tsx";
import { SliderRow } from "./slider-row.tsx";

/** A paper of one's own in tiles: as a photo that covers them, or again and again at its true size. */
export function TilePaperPicture({ tiles }: { readonly tiles: readonly PlacedTile[] }) {
  const { format } = usePanel(openPlaced);
  const unit = usePanel((s) => s.project.unit);
  const byId = useLibrary((s) => s.byId);
  const held = tiles.filter(
    (t) =>
      t.filling.kind === "photo" &&
      !t.through &&
      (t.filling.view.repeats || byId.get(t.filling.view.photoId)?.section === "papers"),
  );
  const [first] = held;
  if (first?.filling.kind !== "photo") return null;
  return (
    <PanelSection title={words.title} folds="tile-paper">
      <PaperPicture
        view={first.filling.view}
        tileIds={held.map((t) => t.id)}
        fills={{ w: first.frame.width, h: first.frame.height }}
        turned={held.some((t) => t.frame.turn !== 0)}
        unit={unit}
        format={format}
      />
    </PanelSection>
  );
}

interface PaperPictureProps {
  readonly view: View;
  /** None for the one behind the page. */
  readonly tileIds: readonly string[];
  readonly fills: Size;
  readonly turned: boolean;
  readonly unit: Unit;
  readonly format: PageFormat;
}

/** How a picture lies as a paper. */
export function PaperPicture({ view, tileIds, fills, turned, unit, format }: PaperPictureProps) {
  const services = useServices();
  const session = useSession();
  const [looking, setLooking] = useState(false);
  const { repeats } = view;
  const lay = async () => {
    setLooking(true);
    await layAsPaper(services, session, view.photoId, tileIds);
    setLooking(false);
  };
  if (!repeats)
    return (
      <Button size="sm" variant="outline" w="full" loading={looking} onClick={() => void lay()}>
        {words.layAgain}
      </Button>
    );
  const show = (own: Partial<Repeats>) =>
    session.preview([repeatsChange(session, tileIds, (was) => ({ ...(was ?? repeats), ...own }))]);
  const keep = (own: Partial<Repeats>, slider?: string) => {
    session.commit(
      { code: "changedPaper", count: Math.max(1, tileIds.length) },
      [repeatsChange(session, tileIds, (was) => ({ ...(was ?? repeats), ...own }))],
      { mergeKey: slider && `paper-${slider}-${tileIds[0] ?? "page"}` },
    );
    return undefined;
  };
  const length = (mm: number) => formatLength(mm, unit, format.ppi);
  const far = Math.round(Math.max(10, repeats.wideMm / 2));
  const { shift, turn, pattern } = repeats;
  return (
    <>
      <Text fontSize="13.5px" color="fg.muted" mb="2" role="status">
        {said(repeats, length)}
      </Text>
      <LengthRow
        label={words.wide}
        mm={repeats.wideMm}
        sliderMostMm={600}
        unit={unit}
        format={format}
        onMove={(mm) => show({ wideMm: Math.max(1, mm) })}
        onMm={(mm) => (mm < 1 || mm > 3000 ? words.wideOutside : keep({ wideMm: mm }))}
      />
      <SliderRow
        label={words.turn}
        least={-90}
        value={turn}
        most={90}
        step={1}
        says={words.degrees(turn)}
        onMove={(v) => show({ turn: v })}
        onEnd={(v) => keep({ turn: v }, "turn")}
      />
      {(["x", "y"] as const).map((axis) => (
        <SliderRow
          key={axis}
          label={axis === "x" ? words.right : words.down}
          least={-far}
          value={shift[axis]}
          most={far}
          step={0.5}
          says={length(shift[axis])}
          onMove={(v) => show({ shift: { ...shift, [axis]: v } })}
          onEnd={(v) => keep({ shift: { ...shift, [axis]: v } }, axis)}
        />
      ))}
      <HStack gap="1.5" mb="2" wrap="wrap">
        <Button size="xs" px="2" variant="outline" onClick={() => keep({ turn: pattern ? alongEdge(pattern.a) : 0 })}>
          {words.along}
        </Button>
        <Button
          size="xs"
          px="2"
          variant="outline"
          onClick={() => keep({ turn: quarter((pattern ? alongEdge(pattern.a) : 0) + diagonal(fills)) })}
        >
          {words.diagonal}
        </Button>
        <Button
          size="xs"
          px="2"
          variant="ghost"
          onClick={() =>
            session.commit({ code: "changedPaper", count: Math.max(1, tileIds.length) }, [
              repeatsChange(session, tileIds, () => undefined),
            ])
          }
        >
          {words.asPhoto}
        </Button>
      </HStack>
      {tileIds.length > 0 && (
        <Box mb="2">
          <Toggle
            label={words.runsOn}
            on={repeats.runsOn === true}
            onTurn={(on) => keep({ runsOn: on ? true : undefined })}
          />
        </Box>
      )}
      {turned && !repeats.runsOn && (
        <Box mb="2">
          <Toggle
            label={words.upright}
            on={repeats.upright === true}
            onTurn={(on) => keep({ upright: on ? true : undefined })}
          />
        </Box>
      )}
    </>
  );
}

const degrees = (radians: number): number => Math.round((radians * 180_000) / Math.PI) / 1000;
/** Between −45° and 45°: a quarter turn more is along the other edge. */
const quarter = (deg: number): number => Math.round((deg - 90 * Math.round(deg / 90)) * 1000) / 1000;
/** By so much a paper is turned that its pattern, or its stripes, lie along the edges. */
const alongEdge = ({ x, y }: Point): number => quarter(-degrees(Math.atan2(y, x)));
const diagonal = ({ w, h }: Size): number => degrees(Math.atan2(h, w));

function said({ pattern, wideMm }: Repeats, length: (mm: number) => string): string {
  if (!pattern) return words.noRepeat;
  const mm = (p: Point) => length(Math.round(10 * Math.hypot(p.x, p.y) * wideMm) / 10);
  return pattern.b ? words.comesAgain(mm(pattern.a), mm(pattern.b)) : words.stripes(mm(pattern.a));
}
