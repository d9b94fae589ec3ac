import { Box, Button, Flex, Grid, Text } from "@chakra-ui/react";
import { useQueryClient } from "@tanstack/react-query";
import { useMemo, useState } from "react";
import { Link, useNavigate } from "react-router";
import {
  barePage,
  layPhotos,
  layTree,
  mostTiles,
  newBook,
  newProject,
  newStyle,
  type Project,
  placeAgain,
  placed,
  placePage,
} from "#core/document";
import { bleedBox, formatFromCard, type LabCard, ownFormat, type PageFormat, printPixels } from "#core/lab";
import { aspectOf, type Photo } from "#core/photo";
import { ok } from "#core/result";
import { formatLength, formatSize, type Unit } from "#core/units";
import { formatTrouble, language, start as words } from "../../../text/index.ts";
import { type OwnSize, OwnSizeForm } from "../../components/own-size-form.tsx";
import { PageCanvas } from "../../components/page-canvas.tsx";
import { Segmented } from "../../components/segmented.tsx";
import { useSizeOf } from "../../components/size-of.ts";
import { useServices } from "../../services.ts";
import { useLabs } from "../../state/sending/use-labs.ts";
import { useLibrary } from "../../state/session/hooks.ts";
import { projectsChanged } from "../../state/session/use-projects.ts";
import { BarePlaces } from "./bare-places.tsx";
import { BeginBar } from "./begin-bar.tsx";
import { useCarried } from "./carried-photos.tsx";
import { freshName } from "./fresh-name.ts";
import { LabChooser } from "./lab-chooser.tsx";
import { Section } from "./section.tsx";
import { SizeChooser } from "./size-chooser.tsx";
import { someOf } from "./some-photos.ts";

const firstOwnSize: OwnSize = { widthMm: 300, heightMm: 300, bleedMm: 3, ppi: 300 };

/** From a lab's card, or a size of one's own, to a page that can be worked on; with a look at how it could turn out. */
export function NewCollage({ kind }: { readonly kind: "collage" | "book" }) {
  const { store, newId, now, viewState } = useServices();
  const carried = useCarried();
  const navigate = useNavigate();
  const queries = useQueryClient();
  const labs = useLabs();
  const [labId, setLabId] = useState<string | "own">();
  const [sizeId, setSizeId] = useState<string>();
  const [sideways, setSideways] = useState(false);
  const [own, setOwn] = useState(firstOwnSize);
  const [ownUnit, setOwnUnit] = useState<Unit>("mm");

  const cards = useMemo(
    () => labs.data?.filter((l) => (l.kind === "book") === (kind === "book")).sort(sheetsFirst),
    [labs.data, kind],
  );
  const lab = labId === "own" && kind === "collage" ? undefined : (cards?.find((l) => l.id === labId) ?? cards?.[0]);
  const size = lab && (lab.sizes.find((s) => s.id === sizeId) ?? lab.sizes[Math.min(2, lab.sizes.length - 1)]!);
  const unit = lab?.unit ?? ownUnit;
  const format = useMemo(
    () => (lab && size ? ok(formatFromCard(lab, size, sideways)) : ownFormat({ name: "own-size", ...own })),
    [lab, size, sideways, own],
  );

  async function begin(as: PageFormat) {
    const { cards: made } = await store.projects();
    const at = now();
    const what = { name: freshName(kind, made), unit, format: as, language };
    const project =
      kind === "book" && lab
        ? newBook({ ...what, lab }, { newId, at })
        : withPhotos(newProject({ ...what, lab: lab ?? null }, { newId, at }), carried, newId);
    // A book is filled from its first page, where one sees on how many pages.
    if (kind !== "book") viewState.setState({ carried: false });
    await store.saveProject({ project, steps: [], done: 0, savedAt: at, sent: undefined });
    await navigate(`/work/${project.id}/pages`);
    void projectsChanged(queries);
  }

  const sizeName = (f: PageFormat) => formatSize(f.widthMm, f.heightMm, unit === "px" ? "mm" : unit, f.ppi);
  return (
    <>
      <Grid templateColumns="340px minmax(0, 1fr) 380px" gap="8" alignItems="start">
        <Section title={words.lab}>
          {labs.isError && <Text color="clay.600">{words.labsMissing}</Text>}
          <LabChooser labs={cards ?? []} chosen={lab?.id ?? "own"} own={kind === "collage"} onChoose={setLabId} />
          <Button asChild size="sm" variant="ghost" mt="3">
            <Link to="/labs">{words.ownLabs}</Link>
          </Button>
        </Section>
        <Section title={words.size}>
          {lab && size ? (
            <SizeChooser lab={lab} sideways={sideways} chosen={size.id} onChoose={setSizeId} />
          ) : (
            <OwnSizeForm size={own} unit={ownUnit} onSize={setOwn} onUnit={setOwnUnit} />
          )}
          {size?.turns && (
            <Box mt="5">
              <Segmented
                label={words.orientation}
                value={sideways ? "sideways" : "upright"}
                options={[
                  ["upright", words.upright],
                  ["sideways", words.sideways],
                ]}
                onChoose={(v) => setSideways(v === "sideways")}
              />
            </Box>
          )}
        </Section>
        <Box position="sticky" top="0">
          <Preview format={format.ok ? format.value : undefined} />
          <Box mt="4" minH="46px">
            {format.ok ? (
              <>
                <Text fontSize="14px" color="fg.muted" fontVariantNumeric="tabular-nums">
                  {words.pixels(printPixels(format.value).widthPx, printPixels(format.value).heightPx)}
                </Text>
                <Text fontSize="14px" color="fg.subtle">
                  {words.facts(
                    formatLength(format.value.bleedMm, unit === "px" ? "mm" : unit, format.value.ppi),
                    format.value.ppi,
                  )}
                </Text>
              </>
            ) : (
              <Text role="alert" color="clay.600" fontWeight="500">
                {formatTrouble(format, (mm) => formatLength(mm, unit, own.ppi))}
              </Text>
            )}
          </Box>
        </Box>
      </Grid>
      <BeginBar
        kind={kind}
        facts={format.ok ? [sizeName(format.value), lab ? lab.name : words.ownSizeAbout] : []}
        onBegin={format.ok ? () => void begin(format.value) : undefined}
      />
    </>
  );
}

/** The photos that came along, arranged on its first page. */
function withPhotos(project: Project, photos: readonly Photo[], newId: () => string): Project {
  const page = project.pages[0]!;
  if (photos.length === 0) return project;
  const shapes = photos.slice(0, mostTiles).map((p) => ({ id: p.id, aspect: aspectOf(p) }));
  const laid = layTree(placed(project, page), { photos: shapes, seed: 0, newId });
  return laid.ok ? { ...project, pages: [laid.value.page] } : project;
}

/** Labs that are there for collages come before those that print them besides. */
const sheetsFirst = (a: LabCard, b: LabCard): number => Number(b.kind === "collage") - Number(a.kind === "collage");

const previewPhotos = 12;

/** The very page that would be begun, arranged from photos that are here. */
function Preview({ format }: { readonly format: PageFormat | undefined }) {
  const photos = useLibrary((s) => s.photos);
  const [ref, room] = useSizeOf();
  const page = useMemo(() => {
    if (!format) return undefined;
    let count = 0;
    const newId = () => {
      count += 1;
      return `t${count}`;
    };
    const bare = placePage(barePage(newId), format, newStyle(format));
    const some = someOf(photos, previewPhotos).map((p) => ({ id: p.id, aspect: aspectOf(p) }));
    const laid =
      photos.length === 0
        ? layPhotos(bare, { photos: [], asked: { rows: 3, columns: 3 }, newId })
        : layTree(bare, { photos: some, seed: 0, newId });
    return laid.ok ? placeAgain(bare, laid.value.page) : undefined;
  }, [format, photos]);
  const box = format && bleedBox(format);
  const scale = box && room ? Math.min((room.w - 48) / box.w, (room.h - 48) / box.h) : 0;
  return (
    <Flex
      ref={ref}
      h="380px"
      bg="mat.light"
      borderRadius="card"
      align="center"
      justify="center"
      role="img"
      aria-label={words.previewLabel}
    >
      {format && box && page && scale > 0 && (
        <Box position="relative" w={`${box.w * scale}px`} h={`${box.h * scale}px`} boxShadow="paper" bg="white">
          <PageCanvas page={page} scale={scale} />
          {photos.length === 0 && <BarePlaces page={page} scale={scale} />}
        </Box>
      )}
    </Flex>
  );
}
