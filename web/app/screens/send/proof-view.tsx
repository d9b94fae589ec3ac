import { Box, Flex, HStack, IconButton, Text, VStack } from "@chakra-ui/react";
import { ChevronLeft, ChevronRight } from "lucide-react";
import { useState } from "react";
import { type Page, type PrintFile, pageCount, pagesBefore } from "#core/document";
import { bleedBox, trimBox } from "#core/lab";
import { send as words } from "../../../text/index.ts";
import { SeenPage } from "../../components/clipped-page.tsx";
import { Segmented } from "../../components/segmented.tsx";
import { useMergedRefs, useSizeOf } from "../../components/size-of.ts";
import { HandLayer } from "../../components/zoom/hand-layer.tsx";
import { useZoom } from "../../components/zoom/use-zoom.ts";
import { seenPart } from "../../components/zoom/zoom.ts";
import { ZoomControl } from "../../components/zoom/zoom-control.tsx";
import { useServices } from "../../services.ts";
import { stepPage } from "../../state/edit/page-list.ts";
import { useProject, useSession } from "../../state/session/hooks.ts";

const mat = { w: 40, h: 40 };

/** The page as the lab gets it, with the veil over what it cuts away, or as it comes back. */
export function ProofView({ page, file }: { readonly page: Page; readonly file: PrintFile }) {
  const { format } = file;
  const [sizeRef, size] = useSizeOf();
  const [element, setElement] = useState<HTMLElement | null>(null);
  const ref = useMergedRefs(sizeRef, setElement);
  const [shows, setShows] = useState<"whole" | "cut">("whole");
  const box = shows === "cut" ? trimBox(format) : bleedBox(format);
  const zooming = useZoom({ content: box, room: size, pad: mat, ppi: format.ppi, element });
  const { laid } = zooming;
  const bleedPx = format.bleedMm * (laid?.scale ?? 0);
  return (
    <Flex direction="column" bg="mat.light" minH="0" overflow="hidden">
      <Box ref={ref} flex="1" minH="0" position="relative" overflow="hidden" onPointerDown={zooming.grab}>
        {laid && size && (
          <Box
            position="absolute"
            overflow="hidden"
            boxShadow="paper"
            data-testid="proof"
            style={{ left: laid.leftPx, top: laid.topPx, width: laid.widthPx, height: laid.heightPx }}
          >
            {file.parts.map((part) => {
              const { clip, place } = part;
              const { scale } = laid;
              const [left, top] = [(clip.x - box.x) * scale, (clip.y - box.y) * scale];
              const here = { ...clip, x: clip.x - place.e, y: clip.y - place.f };
              return (
                <Box
                  key={part.page.id}
                  position="absolute"
                  style={{ left, top, width: clip.w * scale, height: clip.h * scale }}
                >
                  <SeenPage
                    page={part.page}
                    scale={scale}
                    box={here}
                    seen={seenPart(here, laid.leftPx + left, laid.topPx + top, scale, size)}
                  />
                </Box>
              );
            })}
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
        )}
        <HandLayer zooming={zooming} />
      </Box>
      <VStack gap="2" py="3" px="5">
        <HStack gap="6">
          <Pager page={page} />
          <ZoomControl zooming={zooming} />
        </HStack>
        {format.bleedMm > 0 && (
          <VStack gap="1.5">
            <Segmented
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
      </VStack>
    </Flex>
  );
}

function Pager({ page }: { readonly page: Page }) {
  const services = useServices();
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
        disabled={at <= 0}
        onClick={() => stepPage(services, session, -1)}
      >
        <ChevronLeft size={18} />
      </IconButton>
      {at < 0 ? words.theCover : words.pageOf(pagesBefore(pages)[at]! + 1, pageCount(pages))}
      <IconButton
        size="sm"
        variant="outline"
        aria-label={words.pageAfter}
        disabled={at === pages.length - 1}
        onClick={() => stepPage(services, session, 1)}
      >
        <ChevronRight size={18} />
      </IconButton>
    </HStack>
  );
}
