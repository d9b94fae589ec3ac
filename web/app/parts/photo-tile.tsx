import { Box, Text } from "@chakra-ui/react";
import { Check } from "lucide-react";
import type { CSSProperties, MouseEvent } from "react";
import type { Photo } from "#core/photo";
import { photos as words } from "../../text/photos.ts";
import { takenMoment } from "./dates.ts";
import { PhotoThumb } from "./photo-thumb.tsx";

interface PhotoTileProps {
  readonly photo: Photo;
  readonly chosen: boolean;
  /** Whether the tab key stops here; one of a list does. */
  readonly stop: boolean;
  /** Where it is used, as page numbers. */
  readonly onPages: readonly number[];
  readonly style: CSSProperties;
  readonly onClick: (e: MouseEvent) => void;
  readonly onFocus?: () => void;
}

/** A photo in a list one can choose from. */
export function PhotoTile({ photo, chosen, stop, onPages, style, onClick, onFocus }: PhotoTileProps) {
  return (
    <Box
      role="option"
      aria-selected={chosen}
      aria-label={[
        words.label(photo.name, takenMoment(photo.takenAt), photo.caption),
        ...onPages.map(words.onPage),
      ].join(", ")}
      tabIndex={stop ? 0 : -1}
      data-photo={photo.id}
      style={style}
      position="relative"
      overflow="hidden"
      borderRadius="thumb"
      bg="oat.300"
      cursor="pointer"
      flexShrink="0"
      outlineOffset="2px"
      onClick={onClick}
      onFocus={onFocus}
      title={photo.caption || photo.name}
    >
      <PhotoThumb photoId={photo.id} />
      {chosen && (
        <>
          <Box
            position="absolute"
            inset="0"
            boxShadow="inset 0 0 0 4px {colors.glaze.500}, inset 0 0 0 5px white"
            borderRadius="thumb"
          />
          <Box
            position="absolute"
            top="1.5"
            left="1.5"
            w="20px"
            h="20px"
            borderRadius="full"
            bg="glaze.500"
            color="white"
            display="grid"
            placeItems="center"
          >
            <Check size={14} strokeWidth={3} aria-hidden />
          </Box>
        </>
      )}
      {onPages.length > 0 && (
        <Text
          as="span"
          position="absolute"
          right="1"
          bottom="1"
          px="1.5"
          borderRadius="thumb"
          bg="oat.25"
          color="ink.900"
          fontSize="12px"
          fontWeight="600"
          lineHeight="18px"
          fontVariantNumeric="tabular-nums"
          boxShadow="card"
        >
          {onPages.join(", ")}
        </Text>
      )}
    </Box>
  );
}
