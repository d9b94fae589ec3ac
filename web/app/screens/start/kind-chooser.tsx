import { Box, Flex, RadioCard, Text } from "@chakra-ui/react";
import { useMemo, useRef } from "react";
import {
  barePage,
  flowPhotos,
  layPhotos,
  layTree,
  newPockets,
  newStyle,
  type PlacedPage,
  type Project,
  placeAgain,
  placed,
  placePage,
} from "#core/document";
import { bleedBox, type PageFormat } from "#core/lab";
import { aspectOf, type Photo, photoShape } from "#core/photo";
import { shippedPatterns } from "#core/pockets";
import { start as words } from "../../../text/index.ts";
import { choiceLook } from "../../components/choice-look.ts";
import { PageThumb } from "../../components/page-thumb.tsx";
import { useLibrary } from "../../state/session/hooks.ts";
import { BarePlaces } from "./bare-places.tsx";
import { useCarried } from "./carried-photos.tsx";
import { someOf } from "./some-photos.ts";

type Kind = Project["kind"];
const kinds = ["collage", "pockets", "book", "prints"] as const satisfies readonly Kind[];
const pictureHighPx = 128;

interface KindChooserProps {
  readonly kind: Kind;
  readonly onChoose: (kind: Kind) => void;
}

/** What can be made, each as pages that are arranged from photos that are here. */
export function KindChooser({ kind, onChoose }: KindChooserProps) {
  const all = useLibrary((s) => s.photos);
  const carried = useCarried();
  const photos = carried.length > 0 ? carried : all;
  const pictures = usePictures(photos);
  return (
    <RadioCard.Root
      value={kind}
      onValueChange={(e) => e.value && onChoose(e.value as Kind)}
      aria-label={words.title}
      orientation="horizontal"
    >
      <Flex gap="3" w="full" wrap="wrap">
        {kinds.map((k) => (
          <RadioCard.Item key={k} value={k} flex="1 1 200px" {...choiceLook.card}>
            <RadioCard.ItemHiddenInput />
            <RadioCard.ItemControl p="3" flexDirection="column" gap="2" alignItems="stretch">
              <Flex
                h={`${pictureHighPx + 24}px`}
                bg="mat.light"
                borderRadius="soft"
                align="center"
                justify="center"
                aria-hidden
                overflow="hidden"
              >
                <Picture kind={k} pages={pictures[k]} bare={photos.length === 0} />
              </Flex>
              <Box px="1">
                <RadioCard.ItemText fontFamily="heading" fontWeight="560" fontSize="18px">
                  {words.kinds[k]}
                </RadioCard.ItemText>
                <Text fontSize="13.5px" color="fg.muted" lineHeight="1.3" mt="0.5">
                  {words.kindsAbout[k]}
                </Text>
              </Box>
            </RadioCard.ItemControl>
          </RadioCard.Item>
        ))}
      </Flex>
    </RadioCard.Root>
  );
}

/** Arranged when photos have come in, and not anew for each of them, nor for what becomes known of one. */
function usePictures(photos: readonly Photo[]): Record<Kind, Pages> {
  const coming = useLibrary((s) => s.incoming !== undefined);
  const settled = useRef(photos);
  const sameOnes = photos.length === settled.current.length && photos.every((p, i) => p.id === settled.current[i]!.id);
  if (!sameOnes && !coming) settled.current = photos;
  const shown = settled.current;
  return useMemo(() => picturesOf(shown), [shown]);
}

/** How the pages of a picture lie: facing each other, or as prints on a table. */
const turns = [-7, 4, -2] as const;

function Picture({ kind, pages, bare }: { readonly kind: Kind; readonly pages: Pages; readonly bare: boolean }) {
  const loose = kind === "prints";
  return pages.map((page, i) => (
    <Box
      key={page.id}
      boxShadow="paper"
      {...(loose ? { ml: i > 0 ? "-16px" : "0", transform: `rotate(${turns[i % turns.length]}deg)` } : {})}
    >
      <LaidPage page={page} highPx={loose ? highOf(page) : pictureHighPx} bare={bare} />
    </Box>
  ));
}

/** Prints beside each other are of one size, whichever way they lie. */
const highOf = ({ format }: PlacedPage): number => pictureHighPx * (format.widthMm > format.heightMm ? 0.5 : 0.75);

interface LaidPageProps {
  readonly page: PlacedPage;
  readonly highPx: number;
  /** Without photos its places are shown as plain fields. */
  readonly bare: boolean;
}

function LaidPage({ page, highPx, bare }: LaidPageProps) {
  const box = bleedBox(page.format);
  const scale = highPx / box.h;
  return (
    <Box position="relative">
      <PageThumb page={page} scale={scale} />
      {bare && <BarePlaces page={page} scale={scale} />}
    </Box>
  );
}

type Pages = readonly PlacedPage[];

const formatOfSize = (widthMm: number, heightMm: number): PageFormat => ({
  name: "",
  widthMm,
  heightMm,
  bleedMm: 0,
  safeMm: 3,
  ppi: 300,
  leastPpi: 150,
});

const onCollage = 9;
const onLeaf = [3, 4] as const;

function picturesOf(photos: readonly Photo[]): Record<Kind, Pages> {
  let count = 0;
  const newId = () => {
    count += 1;
    return `p${count}`;
  };
  const laid = (format: PageFormat, some: readonly Photo[], places: number, margin?: number): PlacedPage => {
    const style = newStyle(format);
    const bare = placePage(
      barePage(newId),
      format,
      margin === undefined ? style : { ...style, margin: { top: margin, right: margin, bottom: margin, left: margin } },
    );
    const shapes = some.map((p) => ({ id: p.id, aspect: aspectOf(p) }));
    const made =
      some.length === 0
        ? layPhotos(bare, { photos: [], asked: { columns: places > 4 ? 3 : 1, rows: Math.ceil(places / 3) }, newId })
        : layTree(bare, { photos: shapes, seed: 0, newId });
    return made.ok ? placeAgain(bare, made.value.page) : bare;
  };
  const some = someOf(photos, onCollage);
  const [left, right] = [
    someOf(photos.slice(0, photos.length / 2), onLeaf[0]),
    someOf(photos.slice(photos.length / 2), onLeaf[1]),
  ];
  const prints = someOf(photos, turns.length);
  return {
    collage: [laid(formatOfSize(200, 200), some, onCollage)],
    pockets: [pocketPicture(someOf(photos, 12), newId)],
    book: [laid(formatOfSize(190, 230), left, 6), laid(formatOfSize(190, 230), right, 9)],
    prints: turns.map((_, i) => {
      const photo = prints[i];
      const wide = photo === undefined ? i % 2 === 0 : aspectOf(photo) > 1;
      return laid(wide ? formatOfSize(152, 102) : formatOfSize(102, 152), photo ? [photo] : [], 1, 5);
    }),
  };
}

function pocketPicture(photos: readonly Photo[], newId: () => string): PlacedPage {
  const pattern = shippedPatterns.find((p) => p.pockets.length > 4) ?? shippedPatterns[0]!;
  const project = newPockets({ name: "", unit: "in", pattern }, { newId, at: "" });
  const on = placed(project, project.pages[0]!);
  const shapes = photos.map((p) => ({ id: p.id, ...photoShape(p) }));
  return photos.length === 0 ? on : placeAgain(on, flowPhotos(on, { photos: shapes, newId }).page);
}
