import { Box, Flex, Grid, Heading, RadioCard, SimpleGrid, Text } from "@chakra-ui/react";
import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate } from "react-router";
import { applyChange, newPockets } from "#core/document";
import { pocketsFilled } from "#core/edit";
import { type PocketPattern, shippedPatterns } from "#core/pockets";
import { language, pockets as words } from "../../../text/index.ts";
import { choiceLook } from "../../components/choice-look.ts";
import { Segmented } from "../../components/segmented.tsx";
import { useServices } from "../../services.ts";
import { projectsChanged } from "../../state/session/use-projects.ts";
import { BeginBar } from "./begin-bar.tsx";
import { useCarried } from "./carried-photos.tsx";
import { freshName } from "./fresh-name.ts";

const binders = [...new Set(shippedPatterns.map((p) => p.binder))];
const sketchPx = 132;

/** From a binder and a pattern of pockets to a first leaf. */
export function NewPockets() {
  const { store, newId, now, viewState } = useServices();
  const carried = useCarried();
  const navigate = useNavigate();
  const queries = useQueryClient();
  const [binder, setBinder] = useState(binders[0]!);
  const fitting = shippedPatterns.filter((p) => p.binder === binder);
  const [chosen, setChosen] = useState<string>();
  const pattern = fitting.find((p) => p.id === chosen) ?? fitting[0]!;

  async function begin() {
    const { cards } = await store.projects();
    const at = now();
    const name = freshName("pockets", cards);
    const project = newPockets({ name, unit: binder === "A4" ? "mm" : "in", pattern, language }, { newId, at });
    const { changes } = pocketsFilled(project, project.pages[0]!.id, carried, newId);
    const filled = changes.reduce((now, change) => {
      const next = applyChange(now, change);
      return next.ok ? next.value : now;
    }, project);
    viewState.setState({ carried: false });
    await store.saveProject({ project: filled, steps: [], done: 0, savedAt: at, sent: undefined });
    await navigate(`/work/${project.id}/pages`);
    void projectsChanged(queries);
  }

  return (
    <>
      <Grid templateColumns="minmax(0, 1fr) 320px" gap="10" alignItems="start">
        <Box>
          <Text color="fg.muted" mb="4">
            {words.lead}
          </Text>
          <Heading as="h2" fontSize="18px" fontWeight="560" mb="3">
            {words.binder}
          </Heading>
          <Box mb="6">
            <Segmented label={words.binder} value={binder} options={binders.map((b) => [b, b])} onChoose={setBinder} />
          </Box>
          <Heading as="h2" fontSize="18px" fontWeight="560" mb="3">
            {words.pattern}
          </Heading>
          <RadioCard.Root
            value={pattern.id}
            onValueChange={(e) => e.value && setChosen(e.value)}
            aria-label={words.pattern}
          >
            <SimpleGrid templateColumns="repeat(auto-fill, 176px)" gap="3">
              {fitting.map((p) => (
                <RadioCard.Item key={p.id} value={p.id} {...choiceLook.bare}>
                  <RadioCard.ItemHiddenInput />
                  <RadioCard.ItemControl p="3" flexDirection="column" alignItems="center" gap="2">
                    <Sketch pattern={p} px={sketchPx} />
                    <RadioCard.ItemText fontWeight="500" fontSize="14px" textAlign="center">
                      {p.name}
                    </RadioCard.ItemText>
                  </RadioCard.ItemControl>
                </RadioCard.Item>
              ))}
            </SimpleGrid>
          </RadioCard.Root>
        </Box>
        <Box position="sticky" top="0">
          <Flex h="340px" bg="mat.light" borderRadius="card" align="center" justify="center">
            <Sketch pattern={pattern} px={270} />
          </Flex>
          <Text fontSize="14px" color="fg.muted" mt="3">
            {words.count(pattern.pockets.length)}. {words.patternHelp}
          </Text>
        </Box>
      </Grid>
      <BeginBar kind="pockets" facts={[pattern.name, binder]} onBegin={() => void begin()} />
    </>
  );
}

/** A pattern to scale, with the strip where the holes are. */
function Sketch({ pattern, px }: { readonly pattern: PocketPattern; readonly px: number }) {
  const k = px / Math.max(pattern.widthMm, pattern.heightMm);
  return (
    <svg width={pattern.widthMm * k} height={pattern.heightMm * k} aria-hidden>
      <rect width="100%" height="100%" rx={3} fill="#fdfbf7" stroke="#cdbfa6" />
      {pattern.pockets.map((p) => (
        <rect
          key={`${p.x} ${p.y}`}
          x={p.x * k}
          y={p.y * k}
          width={p.w * k}
          height={p.h * k}
          rx={1.5}
          fill="#e3efee"
          stroke="#7fa6a5"
        />
      ))}
      {[0.2, 0.5, 0.8].map((y) => (
        <circle key={y} cx={6 * k} cy={pattern.heightMm * y * k} r={2.6 * k} fill="#e4dccb" />
      ))}
    </svg>
  );
}
