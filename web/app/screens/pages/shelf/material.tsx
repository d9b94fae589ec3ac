import { Box, chakra } from "@chakra-ui/react";
import { useDraggable } from "@dnd-kit/core";
import type { Dragged } from "#core/edit";
import type { Photo } from "#core/photo";
import { words as say, shelf as words } from "../../../../text/index.ts";
import { PhotoThumb } from "../../../components/photo-thumb.tsx";

interface MaterialProps {
  readonly photo: Photo;
  readonly section: "papers" | "ornaments";
  readonly stop: boolean;
  readonly onTake: () => void;
}

/** A paper or an ornament of a person's own. */
export function Material({ photo, section, stop, onTake }: MaterialProps) {
  const data: Dragged = { from: "shelf", photoId: photo.id, section };
  const drag = useDraggable({ id: `shelf-${photo.id}`, data });
  const label = section === "papers" ? say.paper(photo.name) : words.ornament(photo.name);
  return (
    <Box
      ref={drag.setNodeRef}
      {...drag.listeners}
      role="presentation"
      flexShrink="0"
      opacity={drag.isDragging ? 0.4 : 1}
    >
      <chakra.button
        type="button"
        data-card
        tabIndex={stop ? 0 : -1}
        aria-label={label}
        title={photo.name}
        onClick={onTake}
        w="108px"
        h="88px"
        mt="1"
        borderRadius="thumb"
        overflow="hidden"
        border="1px solid"
        borderColor="oat.300"
        bg={section === "ornaments" ? "oat.25" : undefined}
        cursor="pointer"
        _hover={{ borderColor: "glaze.500" }}
        _focusVisible={{ outline: "2px solid {colors.glaze.500}", outlineOffset: "1px" }}
      >
        <PhotoThumb photoId={photo.id} fit={section === "ornaments" ? "contain" : "cover"} />
      </chakra.button>
    </Box>
  );
}
