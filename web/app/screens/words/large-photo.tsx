import { Box, Text } from "@chakra-ui/react";
import { aspectOf, type Photo } from "#core/photo";
import { formats, writing as say } from "../../../text/index.ts";
import { PhotoThumb } from "../../components/photo-thumb.tsx";

/** The photo that is being written about, as large as there is room. */
export function LargePhoto({ photo }: { readonly photo: Photo }) {
  return (
    <Box mb="6">
      <Box
        borderRadius="thumb"
        overflow="hidden"
        bg="oat.200"
        maxH="300px"
        mx="auto"
        style={{ aspectRatio: aspectOf(photo) }}
      >
        <PhotoThumb photoId={photo.id} size="large" fit="contain" />
      </Box>
      <Text mt="2" fontSize="14px" color="fg.muted">
        {photo.name}, {formats.takenDay(photo.takenAt)}
      </Text>
      <Text mt="2" fontSize="13.5px" color="fg.subtle">
        {say.keysHint}
      </Text>
    </Box>
  );
}
