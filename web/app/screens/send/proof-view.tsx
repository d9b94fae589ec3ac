import { Box, Flex, HStack, IconButton, Text, VStack } from "@chakra-ui/react";
import { ChevronLeft, ChevronRight } from "lucide-react";
import { useState } from "react";
import type { Page, PrintFile } from "#core/document";
import { contained } from "#core/fit";
import { bleedBox, trimBox } from "#core/lab";
import { send as words } from "../../../text/index.ts";
import { SeenPage } from "../../components/clipped-page.tsx";
import { Segmented } from "../../components/segmented.tsx";
import { useSizeOf } from "../../components/size-of.ts";
import { useServices } from "../../services.ts";
import { stepPage } from "../../state/edit/page-list.ts";
import { useProject, useSession } from "../../state/session/hooks.ts";

/** The page as the lab gets it, with the veil over what it cuts away, or as it comes back. */
export function ProofView({ page, file }: { readonly page: Page; readonly file: PrintFile }) {
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
                    scale={scale}
                    box={{ ...part.clip, x: part.clip.x - part.place.e, y: part.clip.y - part.place.f }}
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
      {at < 0 ? words.theCover : words.pageOf(at + 1, pages.length)}
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
