import { Box, Button, HStack, Text } from "@chakra-ui/react";
import { Crop, Type } from "lucide-react";
import { memo } from "react";
import { frameRect, holdsPockets, isFree, type PlacedTile } from "#core/document";
import { formatSize } from "#core/units";
import { formats, panel as words, words as wordWords } from "../../../../text/index.ts";
import { PanelSection } from "../../../components/panel-parts.tsx";
import { PhotoThumb } from "../../../components/photo-thumb.tsx";
import { useServices } from "../../../services.ts";
import { captionUnder } from "../../../state/edit/captions.ts";
import { emptyThem, placesOf, putPhoto, replaceEverywhere } from "../../../state/edit/page-gestures.ts";
import { writeIn } from "../../../state/edit/word-gestures.ts";
import { useFacts } from "../../../state/session/facts.ts";
import { openPlaced, useLibrary, usePanel, useSession, useViewState } from "../../../state/session/hooks.ts";
import { openPage } from "../../../state/session/project-session.ts";
import { Brushing } from "./brushing.tsx";
import { Copies, FreePlace } from "./free-place.tsx";
import { TitleWithLook } from "./look-in-hand.tsx";
import { MoveToPage } from "./move-to-page.tsx";
import { OrnamentRows } from "./ornament-rows.tsx";
import { TilePaperPicture } from "./paper-picture.tsx";
import { PhotoTone } from "./photo-tone.tsx";
import { PlainColour } from "./plain-colour.tsx";
import { Reframing } from "./reframing.tsx";
import { SharpnessFigure } from "./sharpness.tsx";
import { ThroughPart } from "./through-part.tsx";
import { TileDress } from "./tile-dress.tsx";
import { TilePaper } from "./tile-paper.tsx";
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
  const brushing = useViewState((s) => s.reframing === tile.id && s.brushing);
  const chosenPhotos = useViewState((s) => s.photos.ids);
  const { format } = usePanel(openPlaced);
  const unit = usePanel((s) => s.project.unit);
  const view = tile.filling.kind === "photo" ? tile.filling.view : undefined;
  const photo = view && byId.get(view.photoId);
  const only = chosenPhotos.size === 1 ? [...chosenPhotos][0] : undefined;
  const isOrnament = tile.filling.kind === "ornament";
  const rect = frameRect(tile.frame);
  const others = usePanel((s) => (view ? placesOf(s.project, view.photoId) : 0));

  return (
    <>
      <TitleWithLook title={words.aTile} tileId={tile.id} />
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
      {view && photo && reframing && !brushing && <Reframing tile={tile} photo={photo} view={view} />}
      {view && photo && brushing && <Brushing tile={tile} view={view} />}
      <PanelSection>
        <HStack wrap="wrap" gap="1">
          {view && photo && !reframing && !view.repeats && (
            <Button
              size="sm"
              px="2.5"
              onClick={() => viewState.setState({ reframing: tile.id, brushing: false })}
              variant="outline"
              flexGrow="1"
            >
              <Crop size={17} aria-hidden /> {words.reframe}
            </Button>
          )}
          {view && photo && !reframing && !isFree(page, tile.id) && !holdsPockets(page) && (
            <Button
              size="sm"
              variant="outline"
              px="2.5"
              flexGrow="1"
              onClick={() => void captionUnder(services, session, tile.id, facts)}
            >
              <Type size={17} aria-hidden /> {wordWords.captionHere}
            </Button>
          )}
          {only !== undefined && !reframing && (
            <Button size="sm" variant="outline" w="full" onClick={() => putPhoto(session, tile.id, only)}>
              {words.putChosen}
            </Button>
          )}
          {!view && only === undefined && !isOrnament && (
            <Text fontSize="14px" color="fg.subtle">
              {words.putChosenHelp}
            </Text>
          )}
          {only !== undefined && !reframing && view && !tile.through && others > 1 && (
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
          {!view && !isOrnament && tile.filling.kind !== "paper" && <PlainColour tiles={[tile]} />}
          {!view && !isOrnament && (
            <Button size="sm" variant="ghost" w="full" onClick={() => writeIn(services, session, tile.id)}>
              <Type size={17} aria-hidden /> {wordWords.writeHere}
            </Button>
          )}
        </HStack>
      </PanelSection>
      {!reframing && isFree(page, tile.id) && <FreePlace tiles={[tile]} />}
      {!reframing && <ThroughPart tile={tile} />}
      {!reframing && <TilePlace tile={tile} />}
      <TilePaper tiles={[tile]} />
      {!reframing && <TilePaperPicture tiles={[tile]} />}
      <OrnamentRows tiles={[tile]} />
      {!reframing && <TileDress tiles={[tile]} />}
      {!reframing && <PhotoTone tiles={[tile]} />}
      {!reframing && isFree(page, tile.id) && <Copies tile={tile} />}
    </>
  );
});
