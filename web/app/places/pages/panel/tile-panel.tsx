import { Box, Button, HStack, Text } from "@chakra-ui/react";
import { Crop, FlipHorizontal2 } from "lucide-react";
import { frameRect, framingOf, type Tile, type View } from "#core/document";
import { type Framing, mostZoom, settled, zoomed } from "#core/fit";
import { aspectOf, framedBy, type Photo } from "#core/photo";
import { formatLength, formatSize } from "#core/units";
import { changeTrouble, panel as words } from "../../../../text/pages.ts";
import { common } from "../../../../text/places.ts";
import { useKit } from "../../../kit.ts";
import { takenMoment } from "../../../parts/dates.ts";
import { PhotoThumb } from "../../../parts/photo-thumb.tsx";
import { shownPage, useDesk, useLibrary, useProject, useSession } from "../../../state/hooks.ts";
import { emptyThem, putPhoto, reframeChange, resetFraming } from "../../../state/page-gestures.ts";
import { LengthRow } from "./length-row.tsx";
import { Bead, PanelSection, PanelTitle } from "./parts.tsx";
import { SharpnessFigure } from "./sharpness.tsx";
import { TilePlace } from "./tile-place.tsx";

/** One tile: its photo, how sharp it prints, and what can be done with it. */
export function TilePanel({ tile }: { readonly tile: Tile }) {
  const { desk } = useKit();
  const session = useSession();
  const byId = useLibrary((s) => s.byId);
  const reframing = useDesk((s) => s.reframing === tile.id);
  const chosenPhotos = useDesk((s) => s.photos.ids);
  const format = useProject((s) => s.project.format);
  const unit = useProject((s) => s.project.unit);
  const view = tile.filling.kind === "photo" ? tile.filling.view : undefined;
  const photo = view && byId.get(view.photoId);
  const only = chosenPhotos.size === 1 ? [...chosenPhotos][0] : undefined;
  const rect = frameRect(tile.frame);

  return (
    <>
      <PanelTitle>{words.aTile}</PanelTitle>
      {view && photo && (
        <PanelSection>
          <HStack align="start" gap="3" mb="3">
            <Box w="84px" h="64px" borderRadius="thumb" overflow="hidden" flexShrink="0" bg="oat.200">
              <PhotoThumb photoId={photo.id} fit="contain" />
            </Box>
            <Box fontSize="14px" lineHeight="1.35" minW="0">
              <Text fontWeight="600" lineClamp={2}>
                {photo.caption || photo.name}
              </Text>
              <Text color="fg.subtle">{takenMoment(photo.takenAt)}</Text>
              <Text color="fg.subtle" fontVariantNumeric="tabular-nums">
                {words.size} {formatSize(rect.w, rect.h, unit, format.ppi)}
              </Text>
            </Box>
          </HStack>
          <SharpnessFigure tile={tile} photo={photo} format={format} unit={unit} />
        </PanelSection>
      )}
      {view && photo && (reframing ? <Reframing tile={tile} photo={photo} view={view} /> : null)}
      <PanelSection>
        <HStack wrap="wrap" gap="2">
          {view && photo && !reframing && (
            <Button onClick={() => desk.setState({ reframing: tile.id })} variant="outline" w="full">
              <Crop size={17} aria-hidden /> {words.reframe}
            </Button>
          )}
          {only !== undefined && (
            <Button variant="outline" w="full" onClick={() => putPhoto(session, tile.id, only)}>
              {words.putChosen}
            </Button>
          )}
          {!view && only === undefined && (
            <Text fontSize="14px" color="fg.subtle">
              {words.putChosenHelp}
            </Text>
          )}
          {view && !reframing && (
            <Button variant="ghost" w="full" onClick={() => emptyThem(session, [tile.id])}>
              {words.empty}
            </Button>
          )}
        </HStack>
      </PanelSection>
      {!reframing && <TilePlace tile={tile} />}
      {!reframing && <Dress tile={tile} />}
    </>
  );
}

/** The tile's own corner and border. */
function Dress({ tile }: { readonly tile: Tile }) {
  const session = useSession();
  const page = useProject(shownPage);
  const format = useProject((s) => s.project.format);
  const unit = useProject((s) => s.project.unit);
  const change = (dress: { cornerMm?: number; widthMm?: number }) =>
    ({
      type: "dressTiles",
      pageId: page.id,
      tileIds: [tile.id],
      ...(dress.cornerMm === undefined ? {} : { cornerMm: dress.cornerMm }),
      ...(dress.widthMm === undefined ? {} : { border: { ...tile.edge.border, widthMm: dress.widthMm } }),
    }) as const;
  const keep = (code: "changedCorner" | "changedBorder", dress: Parameters<typeof change>[0]) => {
    const kept = session.commit({ code, count: 1 }, [change(dress)]);
    return kept.ok ? undefined : changeTrouble(kept, (mm) => formatLength(mm, unit, format.ppi));
  };
  const half = Math.min(tile.frame.width, tile.frame.height) / 2;
  return (
    <PanelSection>
      <LengthRow
        label={words.corner}
        mm={tile.outline.cornerMm}
        sliderMostMm={half}
        unit={unit}
        format={format}
        onMove={(cornerMm) => session.preview([change({ cornerMm })])}
        onMm={(cornerMm) => keep("changedCorner", { cornerMm })}
      />
      <LengthRow
        label={words.border}
        mm={tile.edge.border.widthMm}
        sliderMostMm={Math.min(10, half)}
        unit={unit}
        format={format}
        onMove={(widthMm) => session.preview([change({ widthMm })])}
        onMm={(widthMm) => keep("changedBorder", { widthMm })}
      />
    </PanelSection>
  );
}

/** Zoom and turn by slider, for those who would rather not use the wheel. */
function Reframing({ tile, photo, view }: { readonly tile: Tile; readonly photo: Photo; readonly view: View }) {
  const { desk } = useKit();
  const session = useSession();
  const page = useProject(shownPage);
  const format = useProject((s) => s.project.format);
  const aspect = aspectOf(photo);
  const rect = frameRect(tile.frame);
  const framing: Framing = framingOf(view, framedBy(photo), tile.frame, format);
  const now = settled(aspect, rect, framing);
  const change = (framing: Framing) => reframeChange(page, tile.id, view, framing);
  const keep = (framing: Framing) => session.commit({ code: "reframed", count: 1 }, [change(framing)]);
  const untouched = !view.byHand;
  // A slider of equal ratios, so that the same way means the same enlargement anywhere.
  const toZoom = (v: number) => mostZoom ** v;
  return (
    <PanelSection title={words.reframe}>
      <Text fontSize="13.5px" color="fg.muted" mb="3">
        {words.reframeHelp}
      </Text>
      <Slot label={words.zoom} figure={`${Math.round(now.zoom * 100)} %`}>
        <Bead
          label={words.zoom}
          least={0}
          most={1}
          step={0.01}
          value={Math.log(now.zoom) / Math.log(mostZoom)}
          onMove={(v) => session.preview([change(zoomed(aspect, rect, framing, toZoom(v)))])}
          onEnd={(v) => keep(zoomed(aspect, rect, framing, toZoom(v)))}
        />
      </Slot>
      <Slot label={words.turn} figure={`${Math.round(view.turn * 10) / 10}°`}>
        <Bead
          label={words.turn}
          least={-45}
          most={45}
          step={0.5}
          value={view.turn}
          onMove={(turn) => session.preview([change({ ...framing, turn })])}
          onEnd={(turn) => keep({ ...framing, turn })}
        />
      </Slot>
      <HStack gap="2" mt="1">
        <Button
          size="sm"
          variant="outline"
          onClick={() => keep({ ...framing, flip: !view.flip, centre: { x: 1 - now.centre.x, y: now.centre.y } })}
        >
          <FlipHorizontal2 size={16} aria-hidden /> {words.flip}
        </Button>
        <Button size="sm" variant="ghost" disabled={untouched} onClick={() => resetFraming(session, tile.id)}>
          {words.reset}
        </Button>
      </HStack>
      <Button mt="4" w="full" onClick={() => desk.setState({ reframing: undefined })}>
        {common.done}
      </Button>
    </PanelSection>
  );
}

function Slot({
  label,
  figure,
  children,
}: {
  readonly label: string;
  readonly figure: string;
  readonly children: React.ReactNode;
}) {
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
