import { Box, Center, Text, VStack } from "@chakra-ui/react";
import { useMemo, useState } from "react";
import { autoFramed, type Filling, type PlacedPage, placeAgain } from "#core/document";
import { lettersInTiles, runThrough, withWordOfTiles, wordOfTiles } from "#core/edit";
import { bleedBox } from "#core/lab";
import { photoShape } from "#core/photo";
import { type Face, faceKey } from "#core/words";
import { letters as words } from "../../../../text/index.ts";
import { ConfirmDialog } from "../../../components/confirm-dialog.tsx";
import { CountField } from "../../../components/count-field.tsx";
import { FieldLabel } from "../../../components/field-label.tsx";
import { PageCanvas } from "../../../components/page-canvas.tsx";
import { Segmented } from "../../../components/segmented.tsx";
import { Select } from "../../../components/select.tsx";
import { TextField } from "../../../components/text-field.tsx";
import { type Services, useServices } from "../../../services.ts";
import { keep } from "../../../state/edit/tree-gestures.ts";
import { useFontOptions } from "../../../state/own-fonts/font-options.ts";
import { useFacts } from "../../../state/session/facts.ts";
import { openPlaced, usePanel, useSession, useViewState } from "../../../state/session/hooks.ts";

const fills = ["photos", "several", "through", "colour"] as const;
type Fill = (typeof fills)[number];
const mostEach = 12;

const previewPx = 300;
const mostLetters = 40;
const plain = "#22302b";
/** Of all fonts that come along it has the broadest stems, which hold a picture best. */
const firstFont = "abril-fatface";

interface LettersDialogProps {
  /** Letters that are tiles themselves, or one in each chosen tile. */
  readonly mode: "word" | "each";
  readonly onClose: () => void;
}

/** A word as the shapes of photos, or its letters one to a tile; shown as it would be on the page. */
export function LettersDialog({ mode, onClose }: LettersDialogProps) {
  const services = useServices();
  const session = useSession();
  const facts = useFacts();
  const page = usePanel(openPlaced);
  const title = usePanel((s) => s.project.words.title);
  const tileIds = [...useViewState((s) => s.tiles.ids)];
  const photoIds = [...useViewState((s) => s.photos.ids)];
  const [text, setText] = useState("");
  const [font, setFont] = useState(mode === "word" ? firstFont : title.font);
  const fontOptions = useFontOptions(font);
  const [fill, setFill] = useState<Fill>(photoIds.length > 0 ? "photos" : "colour");
  const [each, setEach] = useState(3);
  const style = { ...title, font, bold: mode === "word" ? true : title.bold, italic: false };
  const face = facts.setter?.face(faceKey(style));
  const missing = face ? [...text].filter((c) => c.trim() !== "" && !face.covers(c.codePointAt(0)!)) : [];
  const able =
    face !== undefined && text.trim() !== "" && missing.length === 0 && (mode === "word" || tileIds.length > 0);
  const edit = (on: PlacedPage) =>
    mode === "each"
      ? lettersInTiles(on, tileIds, text, style, face!)
      : wordOn(services, on, text, face!, { fill, each, photoIds });
  // biome-ignore lint/correctness/useExhaustiveDependencies: what is typed and chosen is all that the page depends on
  const shown = useMemo(
    () => (able ? placeAgain(page, edit(page)) : page),
    [page, able, text, font, fill, each, face, photoIds.join(), tileIds.join()],
  );
  const box = bleedBox(page.format);
  const scale = previewPx / Math.max(box.w, box.h);
  return (
    <ConfirmDialog
      title={mode === "word" ? words.wordTitle : words.eachTitle}
      doIt={words.make}
      able={able}
      onClose={onClose}
      onDo={() => {
        keep(session, mode === "word" ? "madeWord" : "putLetters", [...text.replace(/\s/g, "")].length, edit);
        onClose();
      }}
    >
      <VStack align="stretch" gap="3">
        {mode === "each" && tileIds.length === 0 && <Text color="clay.600">{words.chooseTiles}</Text>}
        <TextField
          label={mode === "word" ? words.text : words.eachText(tileIds.length)}
          value={text}
          maxLength={mostLetters}
          autoFocus
          onChange={(e) => setText(e.currentTarget.value)}
        />
        <FieldLabel label={words.font}>
          <Select label={words.font} value={font} options={fontOptions} onChoose={setFont} />
        </FieldLabel>
        {mode === "word" && (
          <FieldLabel label={words.filledBy}>
            <Segmented<Fill>
              label={words.filledBy}
              value={fill}
              options={fills.map((f) => [f, words.fill[f]])}
              onChoose={setFill}
            />
          </FieldLabel>
        )}
        {mode === "word" && fill === "several" && (
          <CountField
            label={words.inEach}
            value={each}
            onCount={(n) => setEach(Math.min(mostEach, Math.max(1, n ?? 1)))}
          />
        )}
        {mode === "word" && fill !== "colour" && (
          <Text fontSize="14px" color={photoIds.length > 0 ? "fg.muted" : "clay.600"}>
            {photoIds.length > 0 ? words.from(photoIds.length) : words.noPhotos}
          </Text>
        )}
        {missing.length > 0 && (
          <Text color="clay.600" role="alert">
            {words.missing([...new Set(missing)].join(" "))}
          </Text>
        )}
        <Center bg="oat.200" borderRadius="soft" py="4">
          <Box
            boxShadow="card"
            bg="white"
            style={{ width: Math.round(box.w * scale), height: Math.round(box.h * scale) }}
          >
            <PageCanvas page={shown} scale={scale} />
          </Box>
        </Center>
        {!able && missing.length === 0 && (
          <Text fontSize="14px" color="fg.subtle">
            {face || !facts.setter ? words.nothing : words.loading}
          </Text>
        )}
      </VStack>
    </ConfirmDialog>
  );
}

function wordOn(
  { library, newId }: Pick<Services, "library" | "newId">,
  on: PlacedPage,
  text: string,
  face: Face,
  how: { readonly fill: Fill; readonly each: number; readonly photoIds: readonly string[] },
) {
  const { fill, each, photoIds } = how;
  const photos: readonly Filling[] = photoIds.map((id) => ({ kind: "photo", view: autoFramed(id) }));
  const [first] = photoIds;
  const colour: readonly Filling[] = [{ kind: "colour", colour: plain }];
  const inTurn = (fill === "photos" || fill === "several") && photos.length > 0 ? photos : colour;
  const tiles = wordOfTiles(on, text, face, inTurn, newId, fill === "several" ? each : 1);
  const page = withWordOfTiles(on.page, tiles);
  const photo = fill === "through" ? library.state.getState().byId.get(first ?? "") : undefined;
  if (!photo) return page;
  const ids = tiles.map((t) => t.id);
  return runThrough(placeAgain(on, page), ids, { id: photo.id, ...photoShape(photo) }, newId);
}
