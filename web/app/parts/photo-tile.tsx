import { Box, chakra, HStack, Text } from "@chakra-ui/react";
import { Check, Layers, Star } from "lucide-react";
import type { CSSProperties, MouseEvent } from "react";
import type { Photo } from "#core/photo";
import { chosenWords, eventWords, photos as words } from "../../text/photos.ts";
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
  readonly onOpen?: () => void;
  /** Where it lies on top of a pile. */
  readonly pile?: { readonly count: number; readonly open: boolean; readonly onToggle: () => void } | undefined;
}

/** A photo in a list one can choose from. */
export function PhotoTile({ photo, chosen, stop, onPages, style, onClick, onFocus, onOpen, pile }: PhotoTileProps) {
  return (
    <Box
      role="option"
      aria-selected={chosen}
      aria-label={[
        words.label(photo.name, takenMoment(photo.takenAt), photo.caption),
        ...(photo.stars > 0 ? [chosenWords.stars(photo.stars)] : []),
        ...(pile ? [eventWords.pile(pile.count)] : []),
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
      onDoubleClick={onOpen}
      title={photo.caption || photo.name}
    >
      <Box h="full" opacity={photo.hidden ? 0.45 : 1}>
        <PhotoThumb photoId={photo.id} />
      </Box>
      {photo.stars > 0 && (
        <HStack
          aria-hidden
          gap="0"
          position="absolute"
          left="1.5"
          bottom="1"
          color="saffron.400"
          filter="drop-shadow(0 0 1px rgba(27,37,33,.9))"
        >
          {Array.from({ length: photo.stars }, (_, i) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: stars have nothing but their place
            <Star key={i} size={13} fill="currentColor" />
          ))}
        </HStack>
      )}
      {pile && (
        <chakra.button
          type="button"
          tabIndex={-1}
          aria-label={pile.open ? eventWords.pileOpen : eventWords.pile(pile.count)}
          title={pile.open ? eventWords.pileOpen : eventWords.pile(pile.count)}
          onClick={(e) => {
            e.stopPropagation();
            pile.onToggle();
          }}
          position="absolute"
          right="1.5"
          top="1.5"
          h="24px"
          px="1.5"
          display="flex"
          alignItems="center"
          gap="1"
          borderRadius="thumb"
          bg={pile.open ? "glaze.500" : "oat.25"}
          color={pile.open ? "white" : "ink.900"}
          fontSize="12.5px"
          fontWeight="600"
          boxShadow="card"
        >
          <Layers size={14} aria-hidden /> {pile.count}
        </chakra.button>
      )}
      {/* Nothing of this may come under the pointer, or a double click would begin on one thing and end on another. */}
      {chosen && (
        <>
          <Box
            pointerEvents="none"
            position="absolute"
            inset="0"
            boxShadow="inset 0 0 0 4px {colors.glaze.500}, inset 0 0 0 5px white"
            borderRadius="thumb"
          />
          <Box
            pointerEvents="none"
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
