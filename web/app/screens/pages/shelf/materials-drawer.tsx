import { Box, chakra, Text } from "@chakra-ui/react";
import { useDraggable } from "@dnd-kit/core";
import { useState } from "react";
import type { Dragged } from "#core/edit";
import type { Photo } from "#core/photo";
import { words as say, shelf as words } from "../../../../text/index.ts";
import { PhotoThumb } from "../../../components/photo-thumb.tsx";
import { useServices } from "../../../services.ts";
import { layFreely, takePaper } from "../../../state/edit/materials.ts";
import { useLibrary, useSession } from "../../../state/session/hooks.ts";
import { CardStrip } from "./card-strip.tsx";
import { DrawerFrame } from "./drawer-frame.tsx";
import { useDrawerPx } from "./shelf-size.ts";

type Section = "papers" | "ornaments";

/** Papers, to lie in a place or behind the page; or ornaments, to lie over it. */
export function MaterialsDrawer({ section }: { readonly section: Section }) {
  const services = useServices();
  const session = useSession();
  const all = useLibrary((s) => s[section]);
  const [at, setAt] = useState(0);
  const height = useDrawerPx();
  if (all.length === 0)
    return (
      <DrawerFrame>
        <Text px="4" fontSize="14px" color="fg.subtle" style={{ height }}>
          {words.noMaterials[section]}
        </Text>
      </DrawerFrame>
    );
  const take = (id: string) =>
    section === "papers" ? takePaper(services, session, id) : layFreely(services, session, id);
  return (
    <DrawerFrame
      tools={
        <Text fontSize="13.5px" color="fg.subtle" truncate>
          {words.materialHelp[section]}
        </Text>
      }
    >
      <CardStrip label={words.drawers[section]} count={all.length} stop={Math.min(at, all.length - 1)} onStop={setAt}>
        {all.map((m, i) => (
          <Material key={m.id} photo={m} section={section} stop={i === at} onTake={() => take(m.id)} />
        ))}
      </CardStrip>
    </DrawerFrame>
  );
}

interface MaterialProps {
  readonly photo: Photo;
  readonly section: Section;
  readonly stop: boolean;
  readonly onTake: () => void;
}

function Material({ photo, section, stop, onTake }: MaterialProps) {
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
