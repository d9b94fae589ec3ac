import { Box, Button, HStack, Text, VStack } from "@chakra-ui/react";
import { useState } from "react";
import { hasFacingPages, type Look, type StepCode, type View } from "#core/document";
import { inTone } from "#core/edit";
import { words as say } from "../../../../text/index.ts";
import { Bead } from "../../../components/panel-parts.tsx";
import { PhotoThumb } from "../../../components/photo-thumb.tsx";
import { Segmented } from "../../../components/segmented.tsx";
import { layBehind } from "../../../state/edit/materials.ts";
import { lookOnAll, lookOnFacing } from "../../../state/edit/page-list.ts";
import { openPlaced, useLibrary, usePanel, useSession, useViewState } from "../../../state/session/hooks.ts";
import { openPage } from "../../../state/session/project-session.ts";
import { ColourRow } from "./colour-row.tsx";
import { LookOnSome } from "./look-on-some.tsx";
import { PaperPicture } from "./paper-picture.tsx";
import { SliderRow } from "./slider-row.tsx";
import { ToneSection } from "./tone-section.tsx";

interface BackdropProps {
  readonly look: Look;
  readonly onShow: (look: Look) => void;
  readonly onKeep: (code: StepCode, look: Look) => void;
}

/** A photo behind everything, faded by the page's colour; and this look for all pages. */
export function Backdrop({ look, onShow, onKeep }: BackdropProps) {
  const session = useSession();
  const chosen = useViewState((s) => (s.photos.ids.size === 1 ? [...s.photos.ids][0] : undefined));
  const several = usePanel((s) => s.project.pages.length > 1);
  const facing = usePanel((s) => hasFacingPages(s.project) && openPage(s).span === 1);
  const [asking, setAsking] = useState(false);
  const { backdrop } = look;
  const { format } = usePanel(openPlaced);
  const unit = usePanel((s) => s.project.unit);
  const isPaper = useLibrary((s) => backdrop !== null && s.byId.get(backdrop.view.photoId)?.section === "papers");
  return (
    <VStack align="stretch" gap="2">
      {backdrop && (
        <HStack gap="3">
          <Box w="56px" h="44px" borderRadius="thumb" overflow="hidden" flexShrink="0">
            <PhotoThumb photoId={backdrop.view.photoId} />
          </Box>
          <Text fontSize="13.5px" color="fg.muted">
            {say.backdropVeil}
          </Text>
          <Bead
            label={say.backdropVeil}
            value={backdrop.veil}
            most={1}
            step={0.02}
            onMove={(veil) => onShow({ ...look, backdrop: { ...backdrop, veil } })}
            onEnd={(veil) => onKeep("changedBackdrop", { ...look, backdrop: { ...backdrop, veil } })}
          />
        </HStack>
      )}
      {backdrop && backdrop.veil > 0 && (
        <ColourRow
          label={say.backdropVeilColour}
          colour={backdrop.veilColour ?? look.background}
          onMove={(veilColour) => onShow({ ...look, backdrop: { ...backdrop, veilColour } })}
          onEnd={(veilColour) => onKeep("changedBackdrop", { ...look, backdrop: { ...backdrop, veilColour } })}
        />
      )}
      {backdrop && (backdrop.view.repeats || isPaper) && (
        <PaperPicture
          view={backdrop.view}
          tileIds={[]}
          fills={{ w: format.widthMm, h: format.heightMm }}
          turned={false}
          unit={unit}
          format={format}
        />
      )}
      {backdrop && !backdrop.view.repeats && (
        <BackdropFraming
          view={backdrop.view}
          onShow={(view) => onShow({ ...look, backdrop: { ...backdrop, view } })}
          onKeep={(view) => onKeep("changedBackdrop", { ...look, backdrop: { ...backdrop, view } })}
        />
      )}
      {backdrop && facing && (
        <Segmented
          label={say.backdropAcross}
          value={backdrop.across}
          options={[
            ["page", say.backdropAcrosses.page],
            ["spread", say.backdropAcrosses.spread],
          ]}
          onChoose={(across) => onKeep("changedBackdrop", { ...look, backdrop: { ...backdrop, across } })}
        />
      )}
      {backdrop && (
        <ToneSection
          photoId={backdrop.view.photoId}
          tone={backdrop.view.tone}
          onShow={(tone) => onShow({ ...look, backdrop: { ...backdrop, view: inTone(backdrop.view, tone) } })}
          onKeep={(tone) =>
            onKeep("changedTone", { ...look, backdrop: { ...backdrop, view: inTone(backdrop.view, tone) } })
          }
        />
      )}
      {chosen !== undefined && (
        <Button size="sm" variant="outline" onClick={() => layBehind(session, chosen)}>
          {say.backdropPhoto}
        </Button>
      )}
      {backdrop && (
        <Button size="sm" variant="ghost" onClick={() => onKeep("changedBackdrop", { ...look, backdrop: null })}>
          {say.backdropOff}
        </Button>
      )}
      {several && (
        <HStack role="group" aria-label={say.likeOn} gap="1" mx="-1" wrap="wrap">
          <Text fontSize="13.5px" color="fg.muted">
            {say.likeOn}
          </Text>
          {facing && (
            <Button
              size="xs"
              px="1.5"
              variant="outline"
              aria-label={`${say.likeOn} ${say.likeFacing}`}
              onClick={() => lookOnFacing(session)}
            >
              {say.likeFacing}
            </Button>
          )}
          <Button
            size="xs"
            px="1.5"
            variant="outline"
            aria-label={`${say.likeOn} ${say.likeAll}`}
            onClick={() => lookOnAll(session)}
          >
            {say.likeAll}
          </Button>
          <Button
            size="xs"
            px="1.5"
            variant="outline"
            aria-label={`${say.likeOn} ${say.likeSome}`}
            onClick={() => setAsking(true)}
          >
            {say.likeSome}
          </Button>
        </HStack>
      )}
      {asking && <LookOnSome onClose={() => setAsking(false)} />}
    </VStack>
  );
}

interface BackdropFramingProps {
  readonly view: View;
  readonly onShow: (view: View) => void;
  readonly onKeep: (view: View) => void;
}

const mostZoom = 4;

/** How large the photo lies behind the page, and which part of it is seen. */
function BackdropFraming({ view, onShow, onKeep }: BackdropFramingProps) {
  const { zoom, centre } = view;
  const rows = [
    [say.backdropZoom, 1, zoom, mostZoom, (v: number) => ({ zoom: v })],
    [say.backdropAlong, 0, centre.x, 1, (x: number) => ({ centre: { ...centre, x } })],
    [say.backdropDown, 0, centre.y, 1, (y: number) => ({ centre: { ...centre, y } })],
  ] as const;
  return (
    <div>
      {rows.map(([label, least, value, most, set]) => (
        <SliderRow
          key={label}
          label={label}
          least={least}
          value={value}
          most={most}
          onMove={(v) => onShow({ ...view, ...set(v), byHand: true })}
          onEnd={(v) => onKeep({ ...view, ...set(v), byHand: true })}
        />
      ))}
    </div>
  );
}
