import { Box, Button, HStack, Text } from "@chakra-ui/react";
import { Crop, PaintBucket, Type } from "lucide-react";
import { memo } from "react";
import type { Colour } from "#core/colour";
import { type Change, cardBleed, frameRect, holdsPockets, isFree, type PlacedTile } from "#core/document";
import { type OutlineName, outlineNames, outlineOf } from "#core/outlines";
import { formatLength, formatSize } from "#core/units";
import { changeTrouble, formats, panel as words, words as wordWords } from "../../../../text/index.ts";
import { Beside } from "../../../components/field-label.tsx";
import { NumberField } from "../../../components/number-field.tsx";
import { PanelSection, PanelTitle } from "../../../components/panel-parts.tsx";
import { PhotoThumb } from "../../../components/photo-thumb.tsx";
import { Select } from "../../../components/select.tsx";
import { useServices } from "../../../services.ts";
import {
  emptyThem,
  fillWithColour,
  fillWithColourChange,
  placesOf,
  putPhoto,
  replaceEverywhere,
} from "../../../state/edit/page-gestures.ts";
import { captionUnder, writeIn } from "../../../state/edit/word-gestures.ts";
import { useFacts } from "../../../state/session/facts.ts";
import { openPlaced, useLibrary, usePanel, useSession, useViewState } from "../../../state/session/hooks.ts";
import { openPage } from "../../../state/session/project-session.ts";
import { ColourRow } from "./colour-row.tsx";
import { LengthRow } from "./length-row.tsx";
import { MoveToPage } from "./move-to-page.tsx";
import { Reframing } from "./reframing.tsx";
import { SharpnessFigure } from "./sharpness.tsx";
import { TilePlace } from "./tile-place.tsx";

/** One tile: its photo, how sharp it prints, and what can be done with it. */
export const TilePanel = memo(function TilePanel({ tile }: { readonly tile: PlacedTile }) {
  const services = useServices();
  const { viewState } = services;
  const session = useSession();
  const page = usePanel(openPage);
  const facts = useFacts();
  const byId = useLibrary((s) => s.byId);
  const reframing = useViewState((s) => s.reframing === tile.id);
  const chosenPhotos = useViewState((s) => s.photos.ids);
  const { format } = usePanel(openPlaced);
  const unit = usePanel((s) => s.project.unit);
  const view = tile.filling.kind === "photo" ? tile.filling.view : undefined;
  const photo = view && byId.get(view.photoId);
  const only = chosenPhotos.size === 1 ? [...chosenPhotos][0] : undefined;
  const rect = frameRect(tile.frame);
  const others = usePanel((s) => (view ? placesOf(s.project, view.photoId) : 0));

  return (
    <>
      <PanelTitle>{words.aTile}</PanelTitle>
      {view && photo && (
        <PanelSection>
          <HStack align="start" gap="3" mb="2">
            <Box w="68px" h="52px" borderRadius="thumb" overflow="hidden" flexShrink="0" bg="oat.200">
              <PhotoThumb photoId={photo.id} fit="contain" />
            </Box>
            <Box fontSize="14px" lineHeight="1.35" minW="0">
              <Text fontWeight="600" lineClamp={2}>
                {photo.caption || photo.name}
              </Text>
              <Text color="fg.subtle">{formats.takenMoment(photo.takenAt)}</Text>
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
        <HStack wrap="wrap" gap="1">
          {view && photo && !reframing && (
            <Button size="sm" onClick={() => viewState.setState({ reframing: tile.id })} variant="outline" w="full">
              <Crop size={17} aria-hidden /> {words.reframe}
            </Button>
          )}
          {only !== undefined && !reframing && (
            <Button size="sm" variant="outline" w="full" onClick={() => putPhoto(session, tile.id, only)}>
              {words.putChosen}
            </Button>
          )}
          {!view && only === undefined && (
            <Text fontSize="14px" color="fg.subtle">
              {words.putChosenHelp}
            </Text>
          )}
          {only !== undefined && !reframing && view && others > 1 && (
            <Button size="sm" variant="outline" w="full" onClick={() => replaceEverywhere(session, view.photoId, only)}>
              {words.replaceAll(others)}
            </Button>
          )}
          {view && !reframing && (
            <Button size="sm" variant="ghost" w="full" onClick={() => emptyThem(session, [tile.id])}>
              {words.empty}
            </Button>
          )}
          {view && !reframing && <MoveToPage tileIds={[tile.id]} />}
          {!view && <PlainColour tile={tile} />}
          {!view && (
            <Button size="sm" variant="ghost" w="full" onClick={() => writeIn(services, session, tile.id)}>
              <Type size={17} aria-hidden /> {wordWords.writeHere}
            </Button>
          )}
          {view && photo && !reframing && !isFree(page, tile.id) && !holdsPockets(page) && (
            <Button
              size="sm"
              variant="ghost"
              w="full"
              onClick={() => void captionUnder(services, session, tile.id, facts)}
            >
              <Type size={17} aria-hidden /> {wordWords.captionHere}
            </Button>
          )}
        </HStack>
      </PanelSection>
      {!reframing && <TilePlace tile={tile} />}
      {!reframing && <Dress tile={tile} />}
    </>
  );
});

/** A field of colour in place of a photo. */
function PlainColour({ tile }: { readonly tile: PlacedTile }) {
  const session = useSession();
  const page = usePanel(openPage);
  const held = tile.filling.kind === "colour" ? tile.filling.colour : undefined;
  const put = (colour: Colour) => fillWithColour(session, tile.id, colour);
  if (held === undefined)
    return (
      <Button size="sm" variant="ghost" w="full" onClick={() => put(firstColour)}>
        <PaintBucket size={17} aria-hidden /> {words.colourInstead}
      </Button>
    );
  return (
    <Box w="full">
      <ColourRow
        label={words.fillColour}
        colour={held}
        onMove={(colour) => session.preview([fillWithColourChange(page, tile.id, colour)])}
        onEnd={put}
      />
      <Button variant="ghost" w="full" onClick={() => fillWithColour(session, tile.id, undefined)}>
        {words.noColour}
      </Button>
    </Box>
  );
}

const mostBleedMm = 25;
const firstColour: Colour = "#d9d2c4";

/** The tile's own corner and border, and a card's own bleed. */
function Dress({ tile }: { readonly tile: PlacedTile }) {
  const session = useSession();
  const page = usePanel(openPage);
  const { format } = usePanel(openPlaced);
  const unit = usePanel((s) => s.project.unit);
  const project = usePanel((s) => s.project);
  const isCard = holdsPockets(page) && !isFree(page, tile.id);
  const change = (dress: { cornerMm?: number; widthMm?: number; bleedMm?: number | null }): Change => ({
    type: "setTiles",
    pageId: page.id,
    items: [
      {
        id: tile.id,
        set: {
          ...(dress.cornerMm === undefined ? {} : { cornerMm: dress.cornerMm }),
          ...(typeof dress.bleedMm === "number" ? { cardBleedMm: dress.bleedMm } : {}),
          ...(dress.widthMm === undefined ? {} : { border: { ...tile.border, widthMm: dress.widthMm } }),
        },
        // As all cards of the work.
        ...(dress.bleedMm === null ? { unset: ["cardBleedMm"] } : {}),
      },
    ],
  });
  const keep = (code: "changedCorner" | "changedBorder" | "changedBleed", dress: Parameters<typeof change>[0]) => {
    const kept = session.commit({ code, count: 1 }, [change(dress)]);
    return kept.ok ? undefined : changeTrouble(kept, (mm) => formatLength(mm, unit, format.ppi));
  };
  const half = Math.min(tile.frame.width, tile.frame.height) / 2;
  const { kind } = tile.outline;
  return (
    <PanelSection title={words.tileEdges} folds="tile-edges">
      <Beside label={words.outline}>
        <Select<OutlineName>
          label={words.outline}
          value={kind}
          options={outlineNames.map((name) => [name, words.outlines[name]])}
          onChoose={(name) =>
            session.commit({ code: "changedOutline", count: 1 }, [
              { type: "setTiles", pageId: page.id, items: [{ id: tile.id, set: { outline: { kind: name } } }] },
            ])
          }
        />
      </Beside>
      {outlineOf(tile.outline).hasCorners && (
        <LengthRow
          label={words.corner}
          mm={tile.cornerMm}
          sliderMostMm={half}
          unit={unit}
          format={format}
          onMove={(cornerMm) => session.preview([change({ cornerMm })])}
          onMm={(cornerMm) => keep("changedCorner", { cornerMm })}
        />
      )}
      <LengthRow
        label={words.border}
        mm={tile.border.widthMm}
        sliderMostMm={Math.min(10, half)}
        unit={unit}
        format={format}
        onMove={(widthMm) => session.preview([change({ widthMm })])}
        onMm={(widthMm) => keep("changedBorder", { widthMm })}
      />
      <Beside label={words.opacity}>
        <NumberField
          hideLabel
          label={words.opacity}
          value={Math.round(100 * (tile.tile.opacity ?? 1))}
          least={0}
          most={100}
          step={5}
          onNumber={(n) =>
            session.commit(
              { code: "changedOpacity", count: 1 },
              [
                {
                  type: "setTiles",
                  pageId: page.id,
                  items: [{ id: tile.id, ...(n < 100 ? { set: { opacity: n / 100 } } : { unset: ["opacity"] }) }],
                },
              ],
              { mergeKey: `opacity-${tile.id}` },
            )
          }
        />
      </Beside>
      {isCard && (
        <LengthRow
          label={words.cardBleed}
          mm={cardBleed(project, tile.tile)}
          sliderMostMm={10}
          unit={unit}
          format={format}
          onMove={(bleedMm) => session.preview([change({ bleedMm })])}
          onMm={(bleedMm) => keep("changedBleed", { bleedMm: Math.min(mostBleedMm, bleedMm) })}
        />
      )}
      {isCard && tile.tile.cardBleedMm !== undefined && (
        <Button size="sm" variant="ghost" onClick={() => keep("changedBleed", { bleedMm: null })}>
          {words.bleedOfAll}
        </Button>
      )}
    </PanelSection>
  );
}
