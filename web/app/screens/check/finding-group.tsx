import { Box, Button, Flex, Heading, HStack, Text } from "@chakra-ui/react";
import { ArrowRight, CircleAlert, Eye, Info, Wand2 } from "lucide-react";
import { useState } from "react";
import type { Finding, FixCode, Severity } from "#core/check";
import { findPage, formatOf, type Project, pagesBefore } from "#core/document";
import { aspectOf } from "#core/photo";
import { findingDetail, findingTitle, findingWhy, fixWords, check as words } from "../../../text/index.ts";
import { PhotoThumb } from "../../components/photo-thumb.tsx";
import { useLibrary, useProject } from "../../state/session/hooks.ts";
import { FindingPicture } from "./finding-picture.tsx";

/** Findings of one kind, which are explained once. */
export interface Group {
  readonly key: string;
  readonly weight: Severity;
  readonly findings: readonly Finding[];
}

const firstShown = { wrong: 8, doubt: 8, hint: 4 } as const satisfies Record<Severity, number>;
const thumbsShown = 4;

const look = {
  wrong: { icon: CircleAlert, colour: "clay.600" },
  doubt: { icon: Eye, colour: "saffron.700" },
  hint: { icon: Info, colour: "glaze.600" },
} as const satisfies Record<Severity, unknown>;

interface GroupProps {
  readonly group: Group;
  readonly onFix: (findings: readonly Finding[], fix: FixCode) => void;
  readonly onGo: (finding: Finding) => void;
  readonly onAccept: (findings: readonly Finding[]) => void;
}

export function FindingGroup({ group, onFix, onGo, onAccept }: GroupProps) {
  const { findings, weight } = group;
  const [all, setAll] = useState(false);
  const first = findings[0]!;
  const { icon: Icon, colour } = look[weight];
  const shown = all ? findings : findings.slice(0, firstShown[weight]);
  const common = first.fixes.filter((m) => findings.every((f) => f.fixes.includes(m)));
  return (
    <Box
      as="article"
      bg="oat.25"
      borderWidth="1px"
      borderColor="oat.300"
      borderRadius="card"
      px="5"
      pt="4"
      pb="4"
      mb="4"
    >
      <HStack align="start" gap="3">
        <Box color={colour} mt="3px" flexShrink="0">
          <Icon size={19} aria-hidden />
        </Box>
        <Box flex="1">
          <Heading as="h3" fontFamily="body" fontSize="16.5px" fontWeight="600" letterSpacing="0" lineHeight="1.3">
            {findingTitle(first, findings.length)}
          </Heading>
          <Text color="fg.muted" fontSize="14.5px" mt="0.5">
            {findingWhy(first)}
          </Text>
        </Box>
        {findings.length > 1 && (
          <HStack gap="2" flexShrink="0">
            {common.slice(0, 1).map((fix) => (
              <Button key={fix} size="sm" variant="outline" onClick={() => onFix(findings, fix)}>
                <Wand2 size={15} aria-hidden /> {words.fixAll(fixWords[fix], findings.length)}
              </Button>
            ))}
            <Button size="sm" variant="ghost" onClick={() => onAccept(findings)}>
              {words.meantSo}
            </Button>
          </HStack>
        )}
      </HStack>
      <Flex wrap="wrap" gap="5" mt="3.5" as="ul" listStyleType="none">
        {shown.map((f) => (
          <PlaceOf
            key={f.key}
            finding={f}
            alone={findings.length === 1}
            onFix={onFix}
            onGo={onGo}
            onAccept={onAccept}
          />
        ))}
      </Flex>
      {findings.length > shown.length && (
        <Button size="sm" variant="outline" mt="3" onClick={() => setAll(true)}>
          {words.showAll(findings.length)}
        </Button>
      )}
    </Box>
  );
}

/** Which page it is, as a person counts them. */
export function pageWords(project: Project, pageId: string): string {
  if (project.cover?.id === pageId) return words.cover;
  const i = project.pages.findIndex((p) => p.id === pageId);
  return i < 0 ? words.wholeWork : words.page(pagesBefore(project.pages)[i]! + 1);
}

function PlaceOf({
  finding: f,
  alone,
  onFix,
  onGo,
  onAccept,
}: Omit<GroupProps, "group"> & { readonly finding: Finding; readonly alone: boolean }) {
  const project = useProject((s) => s.project);
  const spot = f.spots[0];
  const page = spot && findPage(project, spot.pageId);
  const detail = findingDetail(f, project.unit, page ? formatOf(project, page) : project.format);
  const where = [...new Set(f.spots.map((s) => pageWords(project, s.pageId)))].join(", ");
  const [best, ...others] = f.fixes;
  const photoIds = "photoIds" in f ? f.photoIds : [];
  return (
    <Box as="li" w={spot ? "176px" : "full"} display="flex" flexDirection="column">
      {spot && (
        <Box
          as="button"
          aria-label={`${words.goThere}: ${where}`}
          onClick={() => onGo(f)}
          cursor="pointer"
          w="fit-content"
        >
          <FindingPicture spot={spot} weight={f.severity} />
        </Box>
      )}
      {photoIds.length > 0 && <Thumbs photoIds={photoIds} />}
      {(spot || detail !== "") && (
        <Text fontSize="14px" mt={spot ? "1.5" : "0"} lineHeight="1.35" fontVariantNumeric="tabular-nums">
          {spot && (
            <Text as="span" fontWeight="600">
              {where}
              {detail !== "" && ". "}
            </Text>
          )}
          {detail}
        </Text>
      )}
      <Flex wrap="wrap" gap="1.5" mt="2" align="center">
        {best && (
          <Button size="sm" variant={f.severity === "wrong" ? "solid" : "outline"} onClick={() => onFix([f], best)}>
            {fixWords[best]}
          </Button>
        )}
        {others.map((fix) => (
          <Button key={fix} size="sm" variant="outline" onClick={() => onFix([f], fix)}>
            {fixWords[fix]}
          </Button>
        ))}
        {(spot || photoIds.length > 0) && (
          <Button size="sm" variant={best ? "ghost" : "outline"} onClick={() => onGo(f)}>
            {spot ? words.goThere : words.toPhotos} <ArrowRight size={15} aria-hidden />
          </Button>
        )}
        {alone && (
          <Button size="sm" variant="ghost" onClick={() => onAccept([f])}>
            {words.meantSo}
          </Button>
        )}
      </Flex>
    </Box>
  );
}

function Thumbs({ photoIds }: { readonly photoIds: readonly string[] }) {
  const byId = useLibrary((s) => s.byId);
  const photos = photoIds.flatMap((id) => byId.get(id) ?? []);
  return (
    <HStack gap="2" mb="2">
      {photos.slice(0, thumbsShown).map((p) => (
        <Box key={p.id} h="84px" w={`${Math.round(84 * aspectOf(p))}px`} borderRadius="thumb" overflow="hidden">
          <PhotoThumb photoId={p.id} />
        </Box>
      ))}
      {photos.length > thumbsShown && <Text color="fg.subtle">+ {photos.length - thumbsShown}</Text>}
    </HStack>
  );
}
