import { Box, chakra, HStack } from "@chakra-ui/react";
import { memo } from "react";
import { isTurnedIn } from "#core/document";
import { formatLength } from "#core/units";
import { pages as words } from "../../../text/index.ts";
import { Tooltip } from "../../components/tooltip.tsx";
import type { Zooming } from "../../components/zoom/use-zoom.ts";
import { ZoomControl } from "../../components/zoom/zoom-control.tsx";
import { useServices } from "../../services.ts";
import { openPlaced, useProject, useViewState } from "../../state/session/hooks.ts";
import type { MatTone } from "../../state/view-state/view-state.ts";

const tones: readonly MatTone[] = ["light", "grey", "dark"];

/** Under the page: what its lines mean, and the colour of the mat to judge photos by. */
export const MatTools = memo(function MatTools({ zooming }: { readonly zooming: Zooming }) {
  const { viewState } = useServices();
  const mat = useViewState((s) => s.mat);
  const cutLines = useViewState((s) => s.cutLines);
  const format = useProject((s) => openPlaced(s).format);
  const unit = useProject((s) => s.project.unit);
  const length = (mm: number) => formatLength(mm, unit, format.ppi);
  const turnedIn = useProject((s) => s.project.cover?.id === s.pageId && isTurnedIn(s.project));
  const ink = mat === "light" ? "ink.700" : "oat.50";
  return (
    <HStack position="absolute" left="5" right="5" bottom="0" h="30px" gap="5" fontSize="13px" color={ink}>
      <chakra.button
        type="button"
        aria-pressed={cutLines}
        onClick={() => viewState.setState({ cutLines: !cutLines })}
        px="2"
        h="26px"
        borderRadius="soft"
        textDecoration={cutLines ? "none" : "line-through"}
        _hover={{ bg: "rgba(128,120,104,.25)" }}
      >
        {words.cutLines}
      </chakra.button>
      {cutLines && format.bleedMm > 0 && (
        <Tooltip words={turnedIn ? words.turnedInWhy : words.cutAwayWhy}>
          <HStack gap="2" tabIndex={0} borderRadius="thumb">
            <Box w="14px" h="10px" bg="rgba(233, 226, 213, .9)" border="1px solid" borderColor="ink.700" />
            {turnedIn ? words.turnedIn(length(format.bleedMm)) : words.cutAway(length(format.bleedMm))}
          </HStack>
        </Tooltip>
      )}
      {cutLines && format.safeMm > 0 && (
        <Tooltip words={words.safeWhy}>
          <HStack gap="2" tabIndex={0} borderRadius="thumb">
            <Box w="16px" borderTop="2px dashed" borderColor={mat === "light" ? "glaze.500" : "glaze.100"} />
            {words.safe(length(format.safeMm))}
          </HStack>
        </Tooltip>
      )}
      <Box ml="auto" />
      <ZoomControl zooming={zooming} ink="inherit" />
      <HStack gap="1" role="radiogroup" aria-label={words.matTone}>
        {tones.map((tone) => (
          <Tooltip key={tone} words={words.matTones[tone]}>
            <chakra.button
              type="button"
              role="radio"
              aria-checked={mat === tone}
              aria-label={words.matTones[tone]}
              onClick={() => viewState.setState({ mat: tone })}
              w="26px"
              h="26px"
              borderRadius="full"
              display="grid"
              placeItems="center"
            >
              <Box
                w="16px"
                h="16px"
                borderRadius="full"
                bg={`mat.${tone}`}
                border="2px solid"
                borderColor={mat === tone ? "glaze.500" : "oat.400"}
                boxShadow={mat === tone ? "0 0 0 1px white" : undefined}
              />
            </chakra.button>
          </Tooltip>
        ))}
      </HStack>
    </HStack>
  );
});
