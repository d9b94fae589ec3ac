import { Box, Button, HStack, Text, VStack } from "@chakra-ui/react";
import { Trash2 } from "lucide-react";
import {
  arrangementOf,
  coverFormat,
  coverParts,
  isTurnedIn,
  type Look,
  lookChange,
  type PlacedPage,
  type StepCode,
  spineSizePt,
} from "#core/document";
import { bareRegions, roomAdded } from "#core/edit";
import { formatLength, formatSize } from "#core/units";
import { panel as panelWords, book as words, words as wordWords } from "../../../../text/index.ts";
import { NumberField } from "../../../components/number-field.tsx";
import { PanelSection, PanelTitle } from "../../../components/panel-parts.tsx";
import { Select } from "../../../components/select.tsx";
import { TextField } from "../../../components/text-field.tsx";
import { useServices } from "../../../services.ts";
import { changeSpine, removeCover } from "../../../state/edit/cover.ts";
import { openThe } from "../../../state/edit/page-list.ts";
import { keep as keepPage } from "../../../state/edit/tree-gestures.ts";
import { useFontOptions } from "../../../state/own-fonts/font-options.ts";
import { usePanel, useSession } from "../../../state/session/hooks.ts";
import { usePhotoColours } from "../../../state/session/photo-colours.ts";
import { openPlaced } from "../../../state/session/project-session.ts";
import { ArrangementSection } from "./arrangement-section.tsx";
import { Backdrop } from "./backdrop.tsx";
import { ColourRow, Swatch } from "./colour-row.tsx";
import { GoesWith } from "./going-with.tsx";
import { PagePaper } from "./page-paper.tsx";
import { GivePaper } from "./paper-rows.tsx";

/** The cover: its measures as they follow from the book, its spine, and what lies on it. */
export function CoverPanel() {
  const services = useServices();
  const session = useSession();
  const project = usePanel((s) => s.project);
  const page = usePanel(openPlaced);
  const arrangement = arrangementOf(page.page);
  const { unit, format, cover } = project;
  const parts = coverParts(project);
  const flat = coverFormat(project);
  if (!parts || !flat || !cover) return null;
  const length = (mm: number) => formatLength(mm, unit, format.ppi);
  const look = (next: Look) => lookChange(page.page, next, page.style);
  const show = (next: Look) => void session.preview([look(next)]);
  const keep = (code: StepCode, next: Look) => void session.commit({ code, count: 1 }, [look(next)]);
  return (
    <>
      <PanelTitle>{words.coverTitle}</PanelTitle>
      <Box fontSize="14px" color="fg.muted" mt="-3" mb="4" fontVariantNumeric="tabular-nums">
        <Text>
          {words.coverSize}: {formatSize(parts.widthMm, parts.heightMm, unit, format.ppi)}
        </Text>
        <Text>{words.spineWidth(length(parts.spineMm))}</Text>
        <Text color="fg.subtle">{words.wrap(length(flat.bleedMm), isTurnedIn(project))}</Text>
      </Box>
      <CoverParts page={page} />
      <SpineSection narrow={parts.spineMm < parts.cover.leastForWordsMm} />
      {arrangement && <ArrangementSection page={page.page} arrangement={arrangement} />}
      <PanelSection title={panelWords.behindAll} folds="behind">
        <ColourRow
          label={panelWords.pageColour}
          colour={page.look.background}
          onMove={(background) => show({ ...page.look, background })}
          onEnd={(background) => keep("changedColour", { ...page.look, background })}
        >
          <HStack gap="1">
            <GoesWith
              onColour={(background) => keep("changedColour", { ...page.look, background })}
              onPaper={(paper) => keep("laidPaper", { ...page.look, paper })}
            />
            {!page.look.paper && <GivePaper />}
          </HStack>
        </ColourRow>
        <PagePaper look={page.look} unit={unit} format={page.format} onShow={show} onKeep={keep} />
        <Backdrop look={page.look} onShow={show} onKeep={keep} />
      </PanelSection>
      <PanelSection>
        <Button
          variant="ghost"
          w="full"
          onClick={() => {
            openThe(services, session, project.pages[0]);
            removeCover(session);
          }}
        >
          <Trash2 size={17} aria-hidden /> {words.removeCover}
        </Button>
      </PanelSection>
    </>
  );
}

/** Parts of the cover that take photos over all of them: those that do already, and a button for each that could. */
function CoverParts({ page }: { readonly page: PlacedPage }) {
  const { newId, viewState } = useServices();
  const session = useSession();
  const bare = bareRegions(page);
  if (bare.length === 0) return null;
  const add = (of: (typeof bare)[number]) => {
    keepPage(session, "splitPage", 1, (on) => roomAdded(on, of, newId));
    const group = openPlaced(session.state.getState()).groups.find((g) => g.group.room.of === of);
    const tile = group?.group.tiles[0];
    // The place that came is chosen, so that the next photo goes there.
    if (tile) viewState.setState({ tiles: { ids: new Set([tile.id]), anchor: tile.id } });
  };
  return (
    <PanelSection title={words.photosOver} folds="parts">
      <HStack wrap="wrap" gap="1.5">
        {bare.map((of) => (
          <Button key={of} size="sm" px="2.5" variant="outline" onClick={() => add(of)}>
            {words.panelNames[of]}
          </Button>
        ))}
      </HStack>
    </PanelSection>
  );
}

function SpineSection({ narrow }: { readonly narrow: boolean }) {
  const session = useSession();
  const project = usePanel((s) => s.project);
  const { unit, format } = project;
  const parts = coverParts(project)!;
  const spine = project.spine!;
  const fontOptions = useFontOptions(spine.style.font);
  const colours = usePhotoColours(true);
  const length = (mm: number) => formatLength(mm, unit, format.ppi);
  const set = (pt: number) => pt.toFixed(1).replace(/\.0$/, "");
  return (
    <PanelSection title={words.spineText}>
      <VStack align="stretch" gap="3">
        {narrow ? (
          <Text role="status" fontSize="14px" color="saffron.700">
            {words.spineTooNarrow(length(parts.spineMm), length(parts.cover.leastForWordsMm))}
          </Text>
        ) : (
          <>
            <TextField
              label={words.spineText}
              value={spine.text}
              maxLength={200}
              onChange={(e) => changeSpine(session, { text: e.target.value }, "spine")}
            />
            <Select
              label={words.spineRuns}
              value={spine.runs}
              options={(["down", "up", "across"] as const).map((r) => [r, words.spineRunsHow[r]])}
              onChoose={(runs) => changeSpine(session, { runs })}
            />
            <HStack gap="2" align="end">
              <Box flex="1">
                <Select
                  label={wordWords.font}
                  value={spine.style.font}
                  options={fontOptions}
                  onChoose={(font) => changeSpine(session, { style: { ...spine.style, font } })}
                />
              </Box>
              <Box w="84px">
                <NumberField
                  label={wordWords.size}
                  value={spine.style.sizePt}
                  least={3}
                  most={200}
                  step={1}
                  onNumber={(sizePt) => changeSpine(session, { style: { ...spine.style, sizePt } })}
                />
              </Box>
            </HStack>
            <Text fontSize="13.5px" color="fg.subtle">
              {words.spineSize(set(spineSizePt(spine.style.sizePt, parts.spineMm)))}
            </Text>
            <ColourRow
              label={wordWords.colour}
              colour={spine.style.colour}
              onMove={() => {}}
              onEnd={(colour) => changeSpine(session, { style: { ...spine.style, colour } })}
            />
          </>
        )}
        <ColourRow
          label={words.spineColour}
          colour={spine.colour}
          onMove={() => {}}
          onEnd={(colour) => changeSpine(session, { colour })}
        />
        <HStack gap="2" wrap="wrap">
          {spine.colour && (
            <Button size="sm" variant="ghost" onClick={() => changeSpine(session, { colour: null })}>
              {words.spineAsCover}
            </Button>
          )}
        </HStack>
        {colours.length > 0 && (
          <HStack gap="1.5" role="group" aria-label={words.spineFromPhotos} wrap="wrap">
            <Text fontSize="13.5px" color="fg.muted">
              {words.spineFromPhotos}
            </Text>
            {colours.map((colour) => (
              <Swatch
                key={colour}
                colour={colour}
                name={wordWords.fromPhoto(colour)}
                label={words.spineColour}
                chosen={spine.colour === colour}
                onTake={(c) => changeSpine(session, { colour: c })}
              />
            ))}
          </HStack>
        )}
      </VStack>
    </PanelSection>
  );
}
