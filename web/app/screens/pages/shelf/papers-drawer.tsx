import { chakra, HStack, Text } from "@chakra-ui/react";
import { useDraggable } from "@dnd-kit/core";
import { memo, useMemo, useState } from "react";
import {
  newPaper,
  type Paper,
  type PaperFamily,
  type PaperName,
  paperDesign,
  paperFamilies,
  paperNames,
} from "#core/artwork";
import type { Dragged } from "#core/edit";
import { shelf as shelfWords, papers as words } from "../../../../text/index.ts";
import { PaperSwatch } from "../../../components/paper-swatch.tsx";
import { Select } from "../../../components/select.tsx";
import { useServices } from "../../../services.ts";
import { takePaper } from "../../../state/edit/materials.ts";
import { takeDrawnPaper } from "../../../state/edit/papers.ts";
import { useLibrary, usePanel, useSession } from "../../../state/session/hooks.ts";
import { CardStrip } from "./card-strip.tsx";
import { DrawerFrame } from "./drawer-frame.tsx";
import { Material } from "./material.tsx";

type Kind = PaperFamily | "all" | "own";

/** Papers drawn in the work's palette, and a person's own, for a tile or for the page. */
export function PapersDrawer() {
  const services = useServices();
  const session = useSession();
  const own = useLibrary((s) => s.papers);
  const palette = usePanel((s) => s.project.palette);
  const [kind, setKind] = useState<Kind>("all");
  const [at, setAt] = useState(0);
  const drawn = useMemo(
    () =>
      paperNames
        .filter((n) => kind === "all" || paperDesign(n)?.family === kind)
        .map((n) => ({ name: n, paper: newPaper(n, palette) })),
    [kind, palette],
  );
  const mine = kind === "all" || kind === "own" ? own : [];
  const count = mine.length + drawn.length;
  const choose = (next: Kind) => {
    setKind(next);
    setAt(0);
  };
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
                ...paperFamilies.map((f) => [f, words.families[f]] as const),
              ]}
              onChoose={choose}
            />
          </chakra.div>
        </HStack>
      }
    >
      <CardStrip label={shelfWords.drawers.papers} count={count} stop={Math.min(at, count - 1)} onStop={setAt}>
        {mine.map((m, i) => (
          <Material
            key={m.id}
            photo={m}
            section="papers"
            stop={i === at}
            onTake={() => takePaper(services, session, m.id)}
          />
        ))}
        {drawn.map(({ name, paper }, i) => (
          <PaperCard
            key={name}
            name={name}
            paper={paper}
            stop={mine.length + i === at}
            onTake={() => takeDrawnPaper(services, session, name)}
          />
        ))}
      </CardStrip>
    </DrawerFrame>
  );
}

interface PaperCardProps {
  readonly name: PaperName;
  readonly paper: Paper;
  readonly stop: boolean;
  readonly onTake: () => void;
}

const cardPx = { width: 106, height: 66 };
/** As large as it prints on a screen of usual density, so that its scale can be judged. */
const acrossMm = 48;

const PaperCard = memo(function PaperCard({ name, paper, stop, onTake }: PaperCardProps) {
  const drag = useDraggable({ id: `paper-${name}`, data: { from: "drawn", paper: name } satisfies Dragged });
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
      borderRadius="thumb"
      border="1px solid"
      borderColor="oat.300"
      overflow="hidden"
      opacity={drag.isDragging ? 0.4 : 1}
      textAlign="left"
      _hover={{ borderColor: "glaze.500" }}
      _focusVisible={{ outline: "2px solid {colors.glaze.500}", outlineOffset: "1px" }}
    >
      <PaperSwatch paper={paper} {...cardPx} acrossMm={acrossMm} />
      <Text fontSize="12.5px" px="1.5" lineHeight="20px" truncate>
        {words.names[name]}
      </Text>
    </chakra.button>
  );
});
