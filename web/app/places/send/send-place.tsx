import { Box, Button, Flex, Grid, Heading, HStack, IconButton, Progress, Text, VStack } from "@chakra-ui/react";
import { ChevronLeft, ChevronRight, CircleCheck, FileDown, TriangleAlert } from "lucide-react";
import { useMemo, useRef, useState } from "react";
import { Link, useParams } from "react-router";
import { holdsAnything, type Page, type PrintFile, printFiles } from "#core/document";
import { contained } from "#core/fit";
import { bleedBox, printPixels, trimBox } from "#core/lab";
import { formatLength, formatSize } from "#core/units";
import { common } from "../../../text/places.ts";
import { printTrouble, send as words } from "../../../text/send.ts";
import type { PrintedFile } from "../../../workers/jobs.ts";
import { WorkerError } from "../../../workers/protocol.ts";
import { useKit } from "../../kit.ts";
import { Labelled } from "../../parts/labelled.tsx";
import { OneOfFew } from "../../parts/one-of-few.tsx";
import { saveToDisk } from "../../parts/save-to-disk.ts";
import { SeenPage } from "../../parts/seen-page.tsx";
import { useSizeOf } from "../../parts/size-of.ts";
import { useFindings } from "../../state/check-hooks.ts";
import { useFacts } from "../../state/facts.ts";
import { useLibrary, useProject, useSession } from "../../state/hooks.ts";
import { stepPage } from "../../state/page-list.ts";
import { openPage } from "../../state/project-session.ts";
import { gatherOriginals, sendFileName } from "./make-file.ts";
import { pagesAsked } from "./pages-asked.ts";

type Making =
  | { readonly is: "idle" }
  | { readonly is: "making"; readonly share: number }
  | { readonly is: "stopped" }
  | { readonly is: "failed"; readonly why: string }
  | { readonly is: "saved"; readonly names: readonly string[]; readonly printed: PrintedFile };

/** The file by name, size and pixels before it is made; then saved to disk. */
export function SendPlace() {
  const page = useProject(openPage);
  const nothing = useProject((s) => !s.project.pages.some(holdsAnything));
  const { projectId } = useParams();
  if (nothing)
    return (
      <VStack h="full" justify="center" gap="3" textAlign="center" p="8">
        <Heading as="h1" fontSize="28px" fontWeight="520">
          {words.nothing}
        </Heading>
        <Text color="fg.muted">{words.nothingLead}</Text>
        <Button asChild mt="2">
          <Link to={`/work/${projectId}/pages`}>{words.toPages}</Link>
        </Button>
      </VStack>
    );
  return <Sending page={page} />;
}

function Sending({ page }: { readonly page: Page }) {
  const project = useProject((s) => s.project);
  const { unit } = project;
  const files = useFiles();
  const file = files.find((f) => f.pageIds.includes(page.id)) ?? files[0]!;
  const { format } = file;
  const px = printPixels(format);
  const length = (mm: number) => formatLength(mm, unit, format.ppi);
  return (
    <Grid h="full" templateColumns="minmax(0, 1fr) 420px" minH="0">
      <ProofView page={page} file={file} />
      <Box overflowY="auto" bg="bg.panel" borderLeftWidth="1px" borderColor="oat.300" px="8" py="7">
        <Heading as="h1" fontSize="30px" fontWeight="520">
          {words.title}
        </Heading>
        <Text color="fg.muted" mb="5">
          {words.lead}
        </Text>
        <Facts
          rows={[
            [words.file, sendFileName(project, file)],
            [words.pixels, `${px.widthPx.toLocaleString("en")} × ${px.heightPx.toLocaleString("en")}`],
            [words.density, `${format.ppi} ppi`],
            [words.colour, words.colourValue],
            [words.trim, formatSize(format.widthMm, format.heightMm, unit, format.ppi)],
            [words.bleed, format.bleedMm > 0 ? length(format.bleedMm) : words.noBleed],
          ]}
        />
        <Checks />
        <Maker open={file} files={files} />
      </Box>
    </Grid>
  );
}

/** The files as the lab wants them. */
function useFiles(): readonly PrintFile[] {
  const project = useProject((s) => s.project);
  const facts = useFacts();
  return useMemo(() => printFiles(project, (id) => facts.photo(id)?.takenAt), [project, facts]);
}

function Facts({ rows }: { readonly rows: readonly (readonly [string, string])[] }) {
  return (
    <Grid as="dl" templateColumns="auto 1fr" rowGap="2" columnGap="5" fontSize="15px" mb="6">
      {rows.map(([name, value]) => (
        <Box key={name} display="contents">
          <Text as="dt" color="fg.subtle">
            {name}
          </Text>
          <Text as="dd" fontWeight="500" fontVariantNumeric="tabular-nums" wordBreak="break-word" textAlign="right">
            {value}
          </Text>
        </Box>
      ))}
    </Grid>
  );
}

/** What the print check says of the work, before its files are made. Nothing here stops anyone. */
function Checks() {
  const { open } = useFindings();
  const { projectId } = useParams();
  const wrong = open.filter((f) => f.weight === "wrong").length;
  const doubts = open.filter((f) => f.weight === "doubt").length;
  if (wrong + doubts === 0)
    return (
      <HStack bg="moss.100" color="moss.700" borderRadius="soft" px="4" py="3" mb="5" fontWeight="500">
        <CircleCheck size={19} aria-hidden style={{ flexShrink: 0 }} />
        {words.allGood}
      </HStack>
    );
  return (
    <HStack
      bg={wrong > 0 ? "clay.100" : "saffron.100"}
      color={wrong > 0 ? "clay.700" : "saffron.700"}
      borderRadius="soft"
      px="4"
      py="2.5"
      mb="5"
      gap="3"
    >
      <TriangleAlert size={18} aria-hidden style={{ flexShrink: 0 }} />
      <Text flex="1" fontSize="14.5px" lineHeight="1.35">
        {wrong > 0 ? words.wrong(wrong) : words.doubts(doubts)}
      </Text>
      <Button asChild size="sm" variant="outline" flexShrink="0">
        <Link to={`/work/${projectId}/check`}>{words.toCheck}</Link>
      </Button>
    </HStack>
  );
}

/** Makes the files of all pages that have something on them, or of the one that is looked at. */
function Maker({ open, files }: { readonly open: PrintFile; readonly files: readonly PrintFile[] }) {
  const kit = useKit();
  const session = useSession();
  const project = useProject((s) => s.project);
  const byId = useLibrary((s) => s.byId);
  const [making, setMaking] = useState<Making>({ is: "idle" });
  const stop = useRef<AbortController>(undefined);
  const [which, setWhich] = useState<"all" | "this" | "some">("all");
  const [asked, setAsked] = useState("");
  // Of a collage only what has something on it; a book is sent with its bare pages.
  const full = project.kind === "book" ? files : files.filter((f) => f.parts.some((p) => holdsAnything(p.page)));
  const chosen = useMemo(() => pagesAsked(asked), [asked]);
  const wanted =
    which === "all"
      ? full
      : which === "this"
        ? [open]
        : files.filter((f) => f.number !== "cover" && chosen.has(f.number));

  async function make() {
    const abort = new AbortController();
    stop.current = abort;
    setMaking({ is: "making", share: 0 });
    const { history } = session.state.getState();
    try {
      const names: string[] = [];
      let printed: PrintedFile | undefined;
      for (const [i, file] of wanted.entries()) {
        const photos = await gatherOriginals(file, byId, kit.store);
        const order = { file, quality: project.lab?.file.quality ?? 0.95, photos };
        printed = await kit.printing.run("printJpeg", order, {
          signal: abort.signal,
          onProgress: (share) => setMaking({ is: "making", share: (i + share) / wanted.length }),
        });
        names.push(sendFileName(project, file));
        saveToDisk(printed.file, names.at(-1)!);
      }
      if (!printed) return;
      session.markSent(history);
      setMaking({ is: "saved", names, printed });
    } catch (e) {
      if (abort.signal.aborted) setMaking({ is: "stopped" });
      else {
        const { code, message } = e instanceof WorkerError ? e : { code: "", message: String(e) };
        setMaking({ is: "failed", why: printTrouble(code, message) });
      }
    }
  }

  if (making.is === "making") {
    const percent = Math.round(making.share * 100);
    return (
      <Box>
        <Text fontWeight="600" role="status" mb="2" fontVariantNumeric="tabular-nums">
          {words.making}: {words.makingShare(percent)}
        </Text>
        <Progress.Root value={percent} max={100} aria-label={words.making}>
          <Progress.Track bg="oat.300" borderRadius="full" h="8px">
            <Progress.Range bg="glaze.500" />
          </Progress.Track>
        </Progress.Root>
        <Button mt="4" variant="outline" onClick={() => stop.current?.abort()}>
          {common.stop}
        </Button>
      </Box>
    );
  }
  return (
    <Box>
      {full.length > 1 && (
        <Box mb="4">
          <OneOfFew
            label={words.which}
            value={which}
            options={[
              ["all", words.allPages(full.length)],
              ["this", words.thisPage],
              ["some", words.somePages],
            ]}
            onChoose={setWhich}
          />
          {which === "some" && (
            <Box mt="3">
              <Labelled
                label={words.whichSome}
                value={asked}
                placeholder="1-4, 8"
                onChange={(e) => setAsked(e.target.value.slice(0, 200))}
              />
              {asked !== "" && wanted.length === 0 && (
                <Text fontSize="13.5px" color="clay.600" mt="1" role="alert">
                  {words.noneOfThose}
                </Text>
              )}
            </Box>
          )}
        </Box>
      )}
      <Button
        size="lg"
        w="full"
        disabled={wanted.length === 0}
        onClick={() => void make()}
        variant={making.is === "saved" ? "outline" : "solid"}
      >
        <FileDown size={20} aria-hidden /> {making.is === "saved" ? words.saveAgain : words.save(wanted.length)}
      </Button>
      {making.is === "saved" && (
        <Box role="status" mt="4" bg="moss.100" color="moss.700" borderRadius="soft" px="4" py="3" data-testid="saved">
          <HStack fontWeight="600">
            <CircleCheck size={19} aria-hidden />
            {words.saved}
          </HStack>
          <Text mt="1" wordBreak="break-word">
            {words.savedLead(making.names)}
          </Text>
          <Text mt="1" fontSize="14px" fontVariantNumeric="tabular-nums">
            {words.savedFacts(
              making.printed.widthPx,
              making.printed.heightPx,
              making.printed.ppi,
              (making.printed.file.size / 1e6).toFixed(1),
            )}
          </Text>
        </Box>
      )}
      {(making.is === "stopped" || making.is === "failed") && (
        <Text role="alert" mt="4" color={making.is === "failed" ? "clay.600" : "fg.muted"} fontWeight="500">
          {making.is === "failed" ? making.why : words.cancelled}
        </Text>
      )}
    </Box>
  );
}

/** The page as the lab gets it, with the veil over what it cuts away, or as it comes back. */
function ProofView({ page, file }: { readonly page: Page; readonly file: PrintFile }) {
  const { format } = file;
  const [ref, room] = useSizeOf();
  const [shows, setShows] = useState<"whole" | "cut">("whole");
  const box = bleedBox(format);
  const trim = trimBox(format);
  const fit = room && contained(box.w / box.h, { w: room.w - 80, h: room.h - 170 });
  const scale = fit ? fit.w / box.w : 0;
  const bleedPx = format.bleedMm * scale;
  return (
    <Flex
      ref={ref}
      direction="column"
      align="center"
      justify="center"
      gap="4"
      bg="mat.light"
      minH="0"
      overflow="hidden"
    >
      {scale > 0 && (
        <Box w={`${box.w * scale}px`} h={`${box.h * scale}px`} display="grid" placeItems="center">
          <Box
            position="relative"
            overflow="hidden"
            boxShadow="paper"
            data-testid="proof"
            w={`${(shows === "cut" ? trim.w : box.w) * scale}px`}
            h={`${(shows === "cut" ? trim.h : box.h) * scale}px`}
          >
            <Box
              position="absolute"
              w={`${box.w * scale}px`}
              h={`${box.h * scale}px`}
              left={shows === "cut" ? `${-bleedPx}px` : 0}
              top={shows === "cut" ? `${-bleedPx}px` : 0}
            >
              {file.parts.map((part) => (
                <Box
                  key={part.page.id}
                  position="absolute"
                  style={{
                    left: (part.clip.x - box.x) * scale,
                    top: (part.clip.y - box.y) * scale,
                    width: part.clip.w * scale,
                    height: part.clip.h * scale,
                  }}
                >
                  <SeenPage
                    page={part.page}
                    format={part.format}
                    scale={scale}
                    box={{ ...part.clip, x: part.clip.x - part.dx, y: part.clip.y - part.dy }}
                  />
                </Box>
              ))}
            </Box>
            {shows === "whole" && bleedPx > 0 && (
              <Box
                position="absolute"
                inset="0"
                borderStyle="solid"
                borderWidth={`${bleedPx}px`}
                borderColor="rgba(178, 71, 42, .38)"
              />
            )}
          </Box>
        </Box>
      )}
      <Pager page={page} />
      {format.bleedMm > 0 && (
        <VStack gap="1.5">
          <OneOfFew
            label={words.view}
            value={shows}
            options={[
              ["whole", words.whole],
              ["cut", words.cut],
            ]}
            onChoose={setShows}
          />
          <Text fontSize="13.5px" color="ink.700" visibility={shows === "whole" ? "visible" : "hidden"}>
            {words.veil}
          </Text>
        </VStack>
      )}
    </Flex>
  );
}

function Pager({ page }: { readonly page: Page }) {
  const kit = useKit();
  const session = useSession();
  const pages = useProject((s) => s.project.pages);
  const at = pages.indexOf(page);
  if (pages.length < 2) return null;
  return (
    <HStack gap="3" fontVariantNumeric="tabular-nums">
      <IconButton
        size="sm"
        variant="outline"
        aria-label={words.pageBefore}
        disabled={at === 0}
        onClick={() => stepPage(kit, session, -1)}
      >
        <ChevronLeft size={18} />
      </IconButton>
      {words.pageOf(at + 1, pages.length)}
      <IconButton
        size="sm"
        variant="outline"
        aria-label={words.pageAfter}
        disabled={at === pages.length - 1}
        onClick={() => stepPage(kit, session, 1)}
      >
        <ChevronRight size={18} />
      </IconButton>
    </HStack>
  );
}
