import { chakra, HStack, Text } from "@chakra-ui/react";
import { useDraggable } from "@dnd-kit/core";
import { memo, useMemo, useState } from "react";
import {
  newOrnament,
  type Ornament,
  type OrnamentFamily,
  type OrnamentName,
  ornamentDesign,
  ornamentFamilies,
  ornamentFills,
  ornamentNames,
  ornamentSize,
} from "#core/artwork";
import type { Dragged } from "#core/edit";
import { svgPath } from "#core/painters";
import { shelf as shelfWords, ornaments as words } from "../../../../text/index.ts";
import { Select } from "../../../components/select.tsx";
import { useServices } from "../../../services.ts";
import { layFreely } from "../../../state/edit/materials.ts";
import { layOrnament } from "../../../state/edit/ornaments.ts";
import { useLibrary, usePanel, useSession } from "../../../state/session/hooks.ts";
import { CardStrip } from "./card-strip.tsx";
import { DrawerFrame } from "./drawer-frame.tsx";
import { Material } from "./material.tsx";

type Kind = OrnamentFamily | "all" | "own";

/** Ornaments drawn in the work's palette, and a person's own, to lie over the page. */
export function OrnamentsDrawer() {
  const services = useServices();
  const session = useSession();
  const own = useLibrary((s) => s.ornaments);
  const palette = usePanel((s) => s.project.palette);
  const [kind, setKind] = useState<Kind>("all");
  const [at, setAt] = useState(0);
  const drawn = useMemo(
    () =>
      ornamentNames
        .filter((n) => kind === "all" || ornamentDesign(n)?.family === kind)
        .map((n) => ({ name: n, ornament: newOrnament(n, palette) })),
    [kind, palette],
  );
  const mine = kind === "all" || kind === "own" ? own : [];
  const count = mine.length + drawn.length;
  return (
    <DrawerFrame
      tools={
        <HStack gap="3" minW="0">
          <Text fontSize="13.5px" color="fg.subtle" truncate>
            {words.help}
          </Text>
          <chakra.div w="150px" flexShrink="0">
            <Select<Kind>
              label={words.family}
              value={kind}
              options={[
                ["all", words.allFamilies],
                ...(own.length > 0 ? [["own", words.own] as const] : []),
                ...ornamentFamilies.map((f) => [f, words.families[f]] as const),
              ]}
              onChoose={(next) => {
                setKind(next);
                setAt(0);
              }}
            />
          </chakra.div>
        </HStack>
      }
    >
      <CardStrip label={shelfWords.drawers.ornaments} count={count} stop={Math.min(at, count - 1)} onStop={setAt}>
        {mine.map((m, i) => (
          <Material
            key={m.id}
            photo={m}
            section="ornaments"
            stop={i === at}
            onTake={() => layFreely(services, session, m.id)}
          />
        ))}
        {drawn.map(({ name, ornament }, i) => (
          <OrnamentCard
            key={name}
            name={name}
            ornament={ornament}
            stop={mine.length + i === at}
            onTake={() => layOrnament(services, session, name)}
          />
        ))}
      </CardStrip>
    </DrawerFrame>
  );
}

interface OrnamentCardProps {
  readonly name: OrnamentName;
  readonly ornament: Ornament;
  readonly stop: boolean;
  readonly onTake: () => void;
}

const OrnamentCard = memo(function OrnamentCard({ name, ornament, stop, onTake }: OrnamentCardProps) {
  const drag = useDraggable({ id: `ornament-${name}`, data: { from: "ornaments", ornament: name } satisfies Dragged });
  const { w, h } = ornamentSize(name);
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
      justifyContent="space-between"
      pt="1.5"
      borderRadius="thumb"
      border="1px solid"
      borderColor="oat.300"
      bg="oat.25"
      opacity={drag.isDragging ? 0.4 : 1}
      _hover={{ borderColor: "glaze.500" }}
      _focusVisible={{ outline: "2px solid {colors.glaze.500}", outlineOffset: "1px" }}
    >
      <svg width={92} height={54} viewBox={`0 0 ${w} ${h}`} aria-hidden>
        {ornamentFills(ornament).map(({ path, colour, alpha }, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: a part is known by its place
          <path key={i} d={svgPath(path)} fill={colour} fillOpacity={alpha} />
        ))}
      </svg>
      <Text fontSize="12.5px" px="1.5" lineHeight="20px" maxW="full" truncate>
        {words.names[name]}
      </Text>
    </chakra.button>
  );
});
