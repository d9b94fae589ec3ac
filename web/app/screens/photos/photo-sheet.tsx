import { Box, Button, chakra, Field, Grid, HStack, IconButton, Text } from "@chakra-ui/react";
import { Download, RefreshCw, X } from "lucide-react";
import { useEffect, useRef, useState } from "react";
import { Link, useParams } from "react-router";
import { useStore } from "zustand";
import { aspectOf, type Photo, type Pile, takenAtFromTag } from "#core/photo";
import { formatSize, mmPerInch, type Unit } from "#core/units";
import { common, formats, leftOutReason, timeWords, sheetWords as words } from "../../../text/index.ts";
import { WorkerError } from "../../../workers/protocol.ts";
import { NumberBox } from "../../components/length-field.tsx";
import { PhotoThumb } from "../../components/photo-thumb.tsx";
import { notices } from "../../notices/notices.ts";
import { useServices } from "../../services.ts";
import { saveToDisk } from "../../state/sending/save-to-disk.ts";
import { useMaybeSession } from "../../state/session/hooks.ts";
import { usePlaced } from "../../state/session/placed-photos.ts";
import { FocusEditor } from "./focus-editor.tsx";
import { Stars } from "./stars.tsx";
import { retimed } from "./time-dialog.tsx";

/** All that is known of one photo, and what can be set right. */
export function PhotoSheet({ photo, pile }: { readonly photo: Photo; readonly pile: Pile | undefined }) {
  const { viewState } = useServices();
  return (
    <Box
      as="aside"
      aria-label={words.title}
      w="340px"
      flexShrink="0"
      bg="bg.panel"
      borderLeftWidth="1px"
      borderColor="oat.300"
      overflowY="auto"
      p="5"
    >
      <HStack justify="space-between" mb="3">
        <Text as="h2" fontFamily="heading" fontSize="20px" fontWeight="540" truncate>
          {photo.caption || photo.name}
        </Text>
        <IconButton
          aria-label={words.close}
          size="sm"
          variant="ghost"
          onClick={() => viewState.setState({ sheet: undefined })}
        >
          <X size={18} />
        </IconButton>
      </HStack>
      {photo.section === "photos" ? <OfPhoto photo={photo} /> : <Picture photo={photo} />}
      <Facts photo={photo} />
      {pile && <PileButtons photo={photo} pile={pile} />}
      <FileButtons photo={photo} />
    </Box>
  );
}

const Picture = ({ photo }: { readonly photo: Photo }) => (
  <Box borderRadius="thumb" overflow="hidden" bg="oat.200" style={{ aspectRatio: aspectOf(photo) }}>
    <PhotoThumb photoId={photo.id} fit="contain" />
  </Box>
);

/** What only a photo has: people, stars, words and a time. */
function OfPhoto({ photo }: { readonly photo: Photo }) {
  const { library } = useServices();
  return (
    <>
      <FocusEditor photo={photo} />
      <HStack justify="space-between" mt="3">
        <Text fontSize="14px" fontWeight="500" color="fg.muted">
          {words.stars}
        </Text>
        <Stars
          label={words.stars}
          stars={photo.stars}
          onStars={(stars) => void library.edit("starred", [photo.id], (p) => ({ ...p, stars }))}
        />
      </HStack>
      <Caption photo={photo} />
      <Taken photo={photo} />
    </>
  );
}

function Caption({ photo }: { readonly photo: Photo }) {
  const { library } = useServices();
  const [text, setText] = useState(photo.caption);
  useEffect(() => setText(photo.caption), [photo.caption]);
  const keep = () =>
    void library.edit("captioned", [photo.id], (p) =>
      p.caption === text.trim() ? p : { ...p, caption: text.trim().slice(0, 2000) },
    );
  return (
    <Field.Root gap="1" mt="3">
      <Field.Label fontSize="14px" fontWeight="500" color="fg.muted">
        {words.caption}
      </Field.Label>
      <Field.Context>
        {(field) => (
          <chakra.textarea
            {...field.getTextareaProps()}
            rows={2}
            maxLength={2000}
            value={text}
            onChange={(e) => setText(e.target.value)}
            onBlur={keep}
            w="full"
            px="2.5"
            py="1.5"
            bg="oat.25"
            borderWidth="1px"
            borderColor="oat.400"
            borderRadius="soft"
            resize="vertical"
            _focus={{ borderColor: "glaze.500", outline: "1px solid {colors.glaze.500}" }}
          />
        )}
      </Field.Context>
    </Field.Root>
  );
}

function Taken({ photo }: { readonly photo: Photo }) {
  const { library } = useServices();
  const shown = photo.takenAt.slice(0, 19).replace("T", " ");
  const [text, setText] = useState(shown);
  const [wrong, setWrong] = useState(false);
  useEffect(() => {
    setText(shown);
    setWrong(false);
  }, [shown]);
  const keep = () => {
    if (text.trim() === shown) return;
    const read = takenAtFromTag(text.trim());
    setWrong(read === undefined);
    void library.edit("retimed", [photo.id], (p) => retimed(p, read));
  };
  const found = photo.foundTime;
  return (
    <Field.Root gap="1" mt="3" invalid={wrong}>
      <Field.Label fontSize="14px" fontWeight="500" color="fg.muted">
        {words.taken}
      </Field.Label>
      <Field.Context>
        {(field) => (
          <NumberBox
            {...field.getInputProps()}
            value={text}
            onChange={(e) => setText(e.target.value)}
            onBlur={keep}
            onKeyDown={(e) => e.key === "Enter" && keep()}
          />
        )}
      </Field.Context>
      <Field.ErrorText color="clay.600">{timeWords.badTime}</Field.ErrorText>
      <Field.HelperText fontSize="13px">{words.sources[photo.takenFrom]}</Field.HelperText>
      {found && (
        <Button
          size="sm"
          variant="ghost"
          ml="-3"
          onClick={() => void library.edit("retimed", [photo.id], (p) => ({ ...p, ...found, foundTime: null }))}
        >
          {words.backToFound}: {formats.takenMoment(found.takenAt)}
        </Button>
      )}
    </Field.Root>
  );
}

function Facts({ photo }: { readonly photo: Photo }) {
  const { projectId } = useParams();
  const session = useMaybeSession();
  const placed = usePlaced();
  const pages = placed.get(photo.id) ?? [];
  const format = session?.state.getState().project.format;
  const unit: Unit = session?.state.getState().project.unit ?? "cm";
  const print = (ppi: number) =>
    words.atPpi(
      formatSize(
        (photo.widthPx / ppi) * mmPerInch,
        (photo.heightPx / ppi) * mmPerInch,
        unit === "px" ? "cm" : unit,
        ppi,
      ),
      ppi,
    );
  const drawing = photo.type === "image/svg+xml";
  const densities = [...new Set([300, ...(format ? [format.leastPpi] : [])])];
  return (
    <Grid
      as="dl"
      templateColumns="auto 1fr"
      columnGap="4"
      rowGap="1.5"
      fontSize="14px"
      mt="4"
      pt="4"
      borderTopWidth="1px"
      borderColor="oat.200"
    >
      <Fact name={words.pages}>
        {pages.length === 0
          ? words.noPages
          : pages.map((n) => (
              <Link key={n} to={`/work/${projectId}/pages?page=${n}`} style={{ textDecoration: "underline" }}>
                {words.page(n)}
              </Link>
            ))}
      </Fact>
      <Fact name={words.largest}>
        {drawing ? words.anySize : densities.map((ppi) => <Text key={ppi}>{print(ppi)}</Text>)}
      </Fact>
      {!drawing && (
        <Fact name={words.pixels}>
          {formats.number(photo.widthPx)} × {formats.number(photo.heightPx)}
        </Fact>
      )}
      <Fact name={words.file}>{photo.name}</Fact>
      <Fact name={words.bytes}>
        {photo.sizeBytes > 999_999
          ? `${formats.number(photo.sizeBytes / 1e6, 1)} MB`
          : `${Math.ceil(photo.sizeBytes / 1000)} kB`}
      </Fact>
      {photo.camera && <Fact name={words.camera}>{photo.camera}</Fact>}
    </Grid>
  );
}

function Fact({ name, children }: { readonly name: string; readonly children: React.ReactNode }) {
  return (
    <>
      <Text as="dt" color="fg.subtle">
        {name}
      </Text>
      <Box as="dd" textAlign="right" fontVariantNumeric="tabular-nums" wordBreak="break-word">
        {children}
      </Box>
    </>
  );
}

function PileButtons({ photo, pile }: { readonly photo: Photo; readonly pile: Pile }) {
  const { library } = useServices();
  const setPile = (how: Photo["pile"]) => {
    // Only one can lie on top: the one that did before goes back to its place.
    const others = how === "top" ? pile : [photo.id];
    void library.edit("piled", others, (p) =>
      p.id === photo.id ? { ...p, pile: how } : p.pile === "top" ? { ...p, pile: "auto" } : p,
    );
  };
  return (
    <HStack mt="4" gap="2" wrap="wrap">
      {pile[0] !== photo.id && photo.pile !== "alone" && (
        <Button size="sm" variant="outline" onClick={() => setPile("top")}>
          {words.pileTop}
        </Button>
      )}
      {photo.pile === "alone" ? (
        <Button size="sm" variant="outline" onClick={() => setPile("auto")}>
          {words.pileBack}
        </Button>
      ) : (
        <Button size="sm" variant="outline" onClick={() => setPile("alone")}>
          {words.pileAlone}
        </Button>
      )}
    </HStack>
  );
}

function FileButtons({ photo }: { readonly photo: Photo }) {
  const { library, store, urls, bitmaps } = useServices();
  const chooser = useRef<HTMLInputElement>(null);
  const incoming = useStore(library.state, (s) => s.incoming !== undefined);
  const replace = async (file: File | undefined) => {
    if (!file) return;
    const [original, small] = await Promise.all([store.original(photo.id), store.preview(photo.id, "small")]);
    const fresh = () => {
      urls.forget(photo.id);
      bitmaps.forget(photo.id);
    };
    try {
      await library.replace(photo.id, file);
    } catch (e) {
      notices.create({
        title: `${file.name}: ${leftOutReason(e instanceof WorkerError ? e.code : "")}`,
        type: "error",
      });
      return;
    }
    fresh();
    const back = async () => {
      if (!original || !small) return;
      await library.putBack({ photo, original, small });
      fresh();
    };
    notices.create({
      title: words.replaced,
      type: "success",
      action: { label: common.undoIt, onClick: () => void back() },
    });
  };
  return (
    <HStack mt="4" gap="2" wrap="wrap">
      <Button size="sm" variant="outline" disabled={incoming} onClick={() => chooser.current?.click()}>
        <RefreshCw size={16} aria-hidden /> {words.replace}
      </Button>
      <Button
        size="sm"
        variant="outline"
        onClick={() => void store.original(photo.id).then((blob) => blob && saveToDisk(blob, photo.name))}
      >
        <Download size={16} aria-hidden /> {words.saveOriginal}
      </Button>
      <input
        ref={chooser}
        type="file"
        hidden
        data-testid="replace-file"
        onChange={(e) => {
          void replace(e.currentTarget.files?.[0]);
          e.currentTarget.value = "";
        }}
      />
    </HStack>
  );
}
