import { Box, HStack, Text } from "@chakra-ui/react";
import type { Look, PlacedPage } from "#core/document";
import type { Point } from "#core/geometry";
import { cutWander, type PageFormat, trimBox } from "#core/lab";
import { type WhiteBorder, whiteBorderMm } from "#core/scene";
import { formatLength, type Unit } from "#core/units";
import { dress as words } from "../../../../text/index.ts";
import { SeenPage } from "../../../components/clipped-page.tsx";
import { LengthField } from "../../../components/length-field.tsx";
import { NumberField } from "../../../components/number-field.tsx";
import { PanelSection } from "../../../components/panel-parts.tsx";
import { Segmented } from "../../../components/segmented.tsx";
import { Toggle } from "../../../components/toggle.tsx";
import { openPlaced, usePanel } from "../../../state/session/hooks.ts";
import { ColourRow } from "./colour-row.tsx";

interface WhiteBorderSectionProps {
  readonly look: Look;
  readonly unit: Unit;
  readonly format: PageFormat;
  readonly onShow: (border: WhiteBorder) => void;
  readonly onKeep: (border: WhiteBorder | null) => void;
}

const mostMm = 500;
const first: WhiteBorder = { by: { unit: "share", share: 0.06 }, colour: "#ffffff" };

/** Paper left bare around the finished page, with what the cut can make of it. */
export function WhiteBorderSection({ look, unit, format, onShow, onKeep }: WhiteBorderSectionProps) {
  const page = usePanel(openPlaced);
  const border = look.whiteBorder;
  const widthMm = border ? whiteBorderMm(border, format) : 0;
  const shortMm = Math.min(format.widthMm, format.heightMm);
  const wanderMm = cutWander(format);
  const length = (mm: number) => formatLength(mm, unit, format.ppi);
  return (
    <PanelSection title={words.whiteBorder} folds="whiteBorder" folded>
      <Toggle
        label={words.whiteBorderOn}
        on={Boolean(border)}
        onTurn={(on) => onKeep(on ? { ...first, by: { unit: "mm", mm: Math.max(5, Math.ceil(wanderMm)) } } : null)}
      />
      {border && (
        <>
          <HStack gap="2" align="end" my="2.5">
            <LengthField
              label={words.whiteBorderWidth}
              mm={widthMm}
              unit={unit}
              ppi={format.ppi}
              onMm={(mm) => {
                if (mm > Math.min(mostMm, shortMm / 3)) return words.whiteBorderMost(length(shortMm / 3));
                onKeep({ ...border, by: { unit: "mm", mm } });
                return undefined;
              }}
            />
            <NumberField
              label={words.whiteBorderShare}
              value={Math.round((1000 * widthMm) / shortMm) / 10}
              least={0}
              most={33}
              step={0.5}
              onNumber={(n) => onKeep({ ...border, by: { unit: "share", share: n / 100 } })}
            />
          </HStack>
          <Box mb="2">
            <Segmented
              label={words.whiteBorderKeeps}
              value={border.whole ? "whole" : "even"}
              options={[
                ["even", words.whiteBorderWays.even],
                ["whole", words.whiteBorderWays.whole],
              ]}
              onChoose={(way) =>
                onKeep({ by: border.by, colour: border.colour, ...(way === "whole" ? { whole: true } : {}) })
              }
            />
          </Box>
          <ColourRow
            label={words.whiteBorderColour}
            colour={border.colour}
            onMove={(colour) => onShow({ ...border, colour })}
            onEnd={(colour) => onKeep({ ...border, colour })}
          />
          <WorstCuts page={{ ...page, look }} wanderMm={wanderMm} colour={border.colour} />
          <Text fontSize="13.5px" color={widthMm < wanderMm ? "warning.fg" : "fg.muted"} mt="1.5" role="status">
            {widthMm < wanderMm
              ? words.whiteBorderThin(length(wanderMm), format.cutWanderMm !== undefined)
              : words.whiteBorderCut(length(wanderMm), format.cutWanderMm !== undefined)}
          </Text>
          <Text fontSize="13.5px" color="fg.muted" mt="1">
            {words.whiteBorderWhere}
          </Text>
        </>
      )}
    </PanelSection>
  );
}

interface WorstCutsProps {
  readonly page: PlacedPage;
  readonly wanderMm: number;
  readonly colour: string;
}

const pictureW = 78;
const cuts: readonly (Point & { readonly cut: keyof typeof words.whiteBorderCuts })[] = [
  { cut: "left", x: 1, y: 1 },
  { cut: "meant", x: 0, y: 0 },
  { cut: "right", x: -1, y: -1 },
];

/** The page as the cut leaves it where it goes as far off as it can, one way and the other, and as it is meant. */
function WorstCuts({ page, wanderMm, colour }: WorstCutsProps) {
  const trim = trimBox(page.format);
  const scale = Math.min(pictureW / trim.w, 100 / trim.h);
  return (
    <HStack gap="2" mt="2.5" align="start" justify="space-between">
      {cuts.map(({ cut, x, y }) => (
        <Box key={cut} as="figure" w={`${pictureW}px`}>
          <Box
            position="relative"
            mx="auto"
            overflow="hidden"
            boxShadow="paper"
            style={{ width: trim.w * scale, height: trim.h * scale, background: colour }}
          >
            <SeenPage
              page={page}
              scale={scale}
              box={{ ...trim, x: trim.x + x * wanderMm, y: trim.y + y * wanderMm }}
              patient
            />
          </Box>
          <Text as="figcaption" fontSize="12px" color="fg.subtle" textAlign="center" mt="1" lineHeight="1.25">
            {words.whiteBorderCuts[cut]}
          </Text>
        </Box>
      ))}
    </HStack>
  );
}
