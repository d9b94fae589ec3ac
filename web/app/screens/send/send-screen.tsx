import { Box, Button, Grid, Heading, HStack, Text, VStack } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { CircleCheck, Eye, TriangleAlert } from "lucide-react";
import { useEffect, useMemo, useState } from "react";
import { Link, useParams } from "react-router";
import { holdsAnything, type Page, type PrintFile, printFiles } from "#core/document";
import { printPixels } from "#core/lab";
import { formatLength, formatSize } from "#core/units";
import { formats, send as words } from "../../../text/index.ts";
import { ApprovalBox } from "../../components/notes/approval-box.tsx";
import { useServices } from "../../services.ts";
import { useVerdict } from "../../state/checking/check-hooks.ts";
import { type FileOptions, labFileOptions } from "../../state/sending/file-options.ts";
import { useFacts } from "../../state/session/facts.ts";
import { useProject } from "../../state/session/hooks.ts";
import { openPage } from "../../state/session/project-session.ts";
import { FileSettings } from "./file-options.tsx";
import { Maker } from "./maker.tsx";
import { ProofView } from "./proof-view.tsx";
import { nameOfFile } from "./tasks.ts";

/** The file by name, size and pixels before it is made; then saved to disk. */
export function SendScreen() {
  const page = useProject(openPage);
  const nothing = useProject((s) => !s.project.pages.some((p) => holdsAnything(p, s.project.style)));
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
  const { printing } = useServices();
  useEffect(() => printing.getReady(), [printing]);
  const project = useProject((s) => s.project);
  const { unit } = project;
  const [fileOptions, setFileOptions] = useState(() => labFileOptions(project));
  const files = useFiles(fileOptions);
  const file = files.find((f) => f.pageIds.includes(page.id)) ?? files[0]!;
  const { format } = file;
  const px = printPixels(format);
  const length = (mm: number) => formatLength(mm, unit, format.ppi);
  return (
    <Grid h="full" templateColumns="minmax(0, 1fr) 420px" minH="0">
      <ProofView page={page} file={file} />
      <Box overflowY="auto" bg="bg.panel" borderLeftWidth="1px" borderColor="oat.300" px="6" py="7">
        <Heading as="h1" fontSize="30px" fontWeight="520">
          {words.title}
        </Heading>
        <Text color="fg.muted" mb="5">
          {words.lead}
        </Text>
        <Facts
          rows={[
            [words.file, nameOfFile(project, files, fileOptions, files.indexOf(file))],
            [words.pixels, `${formats.number(px.widthPx)} × ${formats.number(px.heightPx)}`],
            [words.density, `${file.densityPpi ?? format.ppi} ppi`],
            [words.colour, words.colours[fileOptions.picture.colour]],
            [words.trim, formatSize(format.widthMm, format.heightMm, unit, format.ppi)],
            [words.bleed, format.bleedMm > 0 ? length(format.bleedMm) : words.noBleed],
          ]}
        />
        <Checks />
        <ApprovalBox />
        <FileSettings fileOptions={fileOptions} onFileOptions={setFileOptions} />
        <Maker open={file} files={files} fileOptions={fileOptions} onFileOptions={setFileOptions} />
        <ToOrders />
      </Box>
    </Grid>
  );
}

/** What was sent before. */
function ToOrders() {
  const { store } = useServices();
  const { projectId } = useParams();
  const orders = useQuery({
    queryKey: ["orders", projectId],
    queryFn: () => store.orders(projectId ?? ""),
    staleTime: 0,
  });
  const count = orders.data?.length ?? 0;
  if (count === 0) return null;
  return (
    <Button asChild variant="ghost" size="sm" mt="4">
      <Link to={`/work/${projectId}/orders`}>{words.orders(count)}</Link>
    </Button>
  );
}

/** The files as the lab wants them, or as they are asked for. */
function useFiles({ holds, withoutBleed, longSidePx }: FileOptions): readonly PrintFile[] {
  const project = useProject((s) => s.project);
  const facts = useFacts();
  return useMemo(
    () => printFiles(project, (id) => facts.photo(id)?.takenAt, { holds, withoutBleed, longSidePx }),
    [project, facts, holds, withoutBleed, longSidePx],
  );
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
  const { wrong, doubts, unsure } = useVerdict();
  const { projectId } = useParams();
  const [Sign, bg, color, say] = unsure
    ? [Eye, "oat.100", "fg.muted", words.stillChecking]
    : wrong > 0
      ? [TriangleAlert, "clay.100", "clay.700", words.wrong(wrong)]
      : doubts > 0
        ? [TriangleAlert, "saffron.100", "saffron.700", words.doubts(doubts)]
        : [CircleCheck, "moss.100", "moss.700", words.allGood];
  return (
    // As high whatever it says, so that what lies under it stays where it is.
    <HStack bg={bg} color={color} borderRadius="soft" px="4" py="2.5" mb="5" minH="68px" gap="3" fontWeight="500">
      <Sign size={19} aria-hidden style={{ flexShrink: 0 }} />
      <Text flex="1" lineHeight="1.4">
        {say}
      </Text>
      {!unsure && wrong + doubts > 0 && (
        <Button asChild size="sm" variant="outline" flexShrink="0">
          <Link to={`/work/${projectId}/check`}>{words.toCheck(wrong || doubts)}</Link>
        </Button>
      )}
    </HStack>
  );
}
