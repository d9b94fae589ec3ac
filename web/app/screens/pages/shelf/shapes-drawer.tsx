import { Button, chakra, Text } from "@chakra-ui/react";
import { useDraggable } from "@dnd-kit/core";
import { useRef, useState } from "react";
import type { Dragged } from "#core/edit";
import { record } from "#core/geometry";
import { namedOutlines, newOutline, type OutlineName, outlineOf } from "#core/outlines";
import { svgPath } from "#core/painters";
import { drawings, panel, shelf as words } from "../../../../text/index.ts";
import { useServices } from "../../../services.ts";
import { takeShape } from "../../../state/edit/shapes.ts";
import { takeDrawing } from "../../../state/edit/take-drawing.ts";
import { takeLayers } from "../../../state/edit/take-layers.ts";
import { useSession } from "../../../state/session/hooks.ts";
import { CardStrip } from "./card-strip.tsx";
import { DrawerFrame } from "./drawer-frame.tsx";

/** Shapes for new tiles, or for those that are chosen. */
export function ShapesDrawer() {
  const services = useServices();
  const session = useSession();
  const [at, setAt] = useState(0);
  const chooser = useRef<HTMLInputElement>(null);
  return (
    <DrawerFrame
      tools={
        <>
          <Text fontSize="13.5px" color="fg.subtle" truncate>
            {words.shapesHelp}
          </Text>
          <Button size="sm" h="7" px="2.5" fontSize="13px" variant="outline" onClick={() => chooser.current?.click()}>
            {drawings.take}
          </Button>
          <input
            ref={chooser}
            type="file"
            accept=".svg,image/svg+xml,.ora,image/openraster"
            hidden
            aria-label={drawings.take}
            onChange={(e) => {
              const [file] = e.currentTarget.files ?? [];
              e.currentTarget.value = "";
              if (file) void (/\.ora$/i.test(file.name) ? takeLayers : takeDrawing)(services, session, file);
            }}
          />
        </>
      }
    >
      <CardStrip label={words.drawers.shapes} count={namedOutlines.length} stop={at} onStop={setAt}>
        {namedOutlines.map((name, i) => (
          <Shape key={name} name={name} stop={i === at} onTake={() => takeShape(services, session, name)} />
        ))}
      </CardStrip>
    </DrawerFrame>
  );
}

const wide = 76;
const high = 52;

function Shape({
  name,
  stop,
  onTake,
}: {
  readonly name: OutlineName;
  readonly stop: boolean;
  readonly onTake: () => void;
}) {
  const box = { x: 1, y: 1, w: wide - 2, h: high - 2 };
  const path = record((to) => outlineOf(newOutline(name)).trace({ whole: box, seen: box, cornerMm: 0 }, to));
  const drag = useDraggable({ id: `shape-${name}`, data: { from: "shapes", outline: name } satisfies Dragged });
  return (
    <chakra.button
      ref={drag.setNodeRef}
      {...drag.listeners}
      type="button"
      data-card
      tabIndex={stop ? 0 : -1}
      onClick={onTake}
      w="108px"
      h="88px"
      mt="1"
      flexShrink="0"
      display="flex"
      flexDirection="column"
      alignItems="center"
      justifyContent="center"
      gap="1"
      borderRadius="thumb"
      fontSize="13px"
      _hover={{ bg: "oat.200" }}
      _focusVisible={{ outline: "2px solid {colors.glaze.500}", outlineOffset: "1px" }}
    >
      <chakra.svg width={`${wide}px`} height={`${high}px`} viewBox={`0 0 ${wide} ${high}`} color="oat.500" aria-hidden>
        <path d={svgPath(path)} fill="currentColor" />
      </chakra.svg>
      {panel.outlines[name]}
    </chakra.button>
  );
}
