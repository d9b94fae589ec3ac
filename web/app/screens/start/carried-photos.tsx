import { Box, Button, Flex, Text } from "@chakra-ui/react";
import { useMemo } from "react";
import type { Photo } from "#core/photo";
import { start as words } from "../../../text/index.ts";
import { PhotoThumb } from "../../components/photo-thumb.tsx";
import { useServices } from "../../services.ts";
import { useLibrary, useViewState } from "../../state/session/hooks.ts";
import { nothingChosen } from "../../state/view-state/choose.ts";

const mostPictures = 14;
const thumbPx = 48;

/** The photos that come along from where they were chosen, in the order in which they were taken. */
export function useCarried(): readonly Photo[] {
  const photos = useLibrary((s) => s.photos);
  const ids = useViewState((s) => (s.carried ? s.photos.ids : undefined));
  return useMemo(() => (ids ? photos.filter((p) => ids.has(p.id)) : []), [photos, ids]);
}

/** What was chosen among the photos goes into what is made here. */
export function CarriedPhotos() {
  const { viewState } = useServices();
  const photos = useCarried();
  if (photos.length === 0) return null;
  return (
    <Flex align="center" gap="4" mb="5" px="4" py="3" bg="glaze.50" borderRadius="card">
      <Text fontWeight="600" flexShrink="0">
        {words.carried(photos.length)}
      </Text>
      <Flex gap="1.5" overflow="hidden" minW="0" flex="1" aria-hidden>
        {photos.slice(0, mostPictures).map((p) => (
          <Box key={p.id} w={`${thumbPx}px`} h={`${thumbPx}px`} borderRadius="thumb" overflow="hidden" flexShrink="0">
            <PhotoThumb photoId={p.id} />
          </Box>
        ))}
      </Flex>
      <Button
        size="sm"
        variant="ghost"
        flexShrink="0"
        onClick={() => viewState.setState({ carried: false, photos: nothingChosen })}
      >
        {words.notCarried}
      </Button>
    </Flex>
  );
}
