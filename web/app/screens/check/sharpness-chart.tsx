import { Box, Text } from "@chakra-ui/react";
import { scaleLinear, scaleLog } from "d3-scale";
import { useMemo } from "react";
import type { PlacedSharpness } from "#core/check";
import { sharpnessOf } from "#core/fit";
import type { PageFormat } from "#core/lab";
import { check as words } from "../../../text/index.ts";
import { useSizeOf } from "../../components/size-of.ts";

const heightPx = 190;
const pad = { top: 12, right: 86, bottom: 14, left: 8 };

interface ChartProps {
  /** In the order of the pages. */
  readonly placed: readonly PlacedSharpness[];
  readonly format: PageFormat;
  readonly pageOf: (pageId: string) => string;
  readonly onGo: (placed: PlacedSharpness) => void;
}

const fills = { sharp: "#7f9c56", fair: "#dca42c", soft: "#b2472a" } as const;

/** Every placed photo by how sharp it prints, with the lab's two lines across; those below are diamonds. */
export function SharpnessChart({ placed, format, pageOf, onGo }: ChartProps) {
  const [ref, room] = useSizeOf();
  const counts = useMemo(() => {
    const is = placed.map((p) => sharpnessOf(p.ppi, format));
    const count = (what: (typeof is)[number]) => is.filter((s) => s === what).length;
    return { is, sharp: count("sharp"), fair: count("fair"), soft: count("soft") };
  }, [placed, format]);
  const width = room?.w ?? 0;
  const x = scaleLinear([0, Math.max(1, placed.length - 1)], [pad.left + 6, width - pad.right - 6]);
  const low = Math.max(10, Math.min(format.leastPpi * 0.7, ...placed.map((p) => p.ppi)));
  const high = Math.max(format.ppi * 1.5, ...placed.map((p) => p.ppi));
  const y = scaleLog([low, high], [heightPx - pad.bottom, pad.top]);
  const radius = placed.length > 400 ? 2 : placed.length > 120 ? 3 : 4;
  return (
    <Box as="section" aria-label={words.chart} ref={ref}>
      <Text as="h2" fontWeight="600" fontSize="15px">
        {words.chart}
      </Text>
      <Text fontSize="14px" color="fg.muted" mb="2">
        {placed.length === 0 ? words.chartNothing : words.chartSays(counts.sharp, counts.fair, counts.soft)}
      </Text>
      {width > 0 && placed.length > 0 && (
        <svg
          width={width}
          height={heightPx}
          role="img"
          aria-label={words.chartSays(counts.sharp, counts.fair, counts.soft)}
        >
          {(
            [
              [format.ppi, words.wanted(format.ppi), "#7f9c56"],
              [format.leastPpi, words.least(format.leastPpi), "#b2472a"],
            ] as const
          ).map(([ppi, label, colour]) => (
            <g key={label}>
              <line x1={pad.left} x2={width - pad.right} y1={y(ppi)} y2={y(ppi)} stroke={colour} strokeWidth={1.5} />
              <text x={width - pad.right + 5} y={y(ppi) + 4} fontSize={12.5} fill="#38443e">
                {label}
              </text>
            </g>
          ))}
          {placed.map((p, i) => {
            const is = counts.is[i]!;
            const [cx, cy] = [x(placed.length === 1 ? 0.5 : i), y(p.ppi)];
            return (
              // biome-ignore lint/a11y/noStaticElementInteractions: those that matter are findings, which are reached by key
              <g key={`${p.pageId}-${p.tileId}`} onClick={() => onGo(p)} style={{ cursor: "pointer" }}>
                <title>{words.dot(pageOf(p.pageId), p.ppi)}</title>
                {is === "soft" ? (
                  <path
                    d={`M${cx} ${cy - radius - 2}l${radius + 2} ${radius + 2}l${-radius - 2} ${radius + 2}l${-radius - 2} ${-radius - 2}z`}
                    fill={fills.soft}
                  />
                ) : (
                  <circle cx={cx} cy={cy} r={radius} fill={fills[is]} />
                )}
              </g>
            );
          })}
        </svg>
      )}
    </Box>
  );
}
