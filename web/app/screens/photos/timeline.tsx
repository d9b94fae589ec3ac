import { Box, Button, HStack, Text } from "@chakra-ui/react";
import { max } from "d3-array";
import { axisBottom } from "d3-axis";
import { brushX, type D3BrushEvent } from "d3-brush";
import { scaleLinear, scaleUtc } from "d3-scale";
import { select } from "d3-selection";
import { useEffect, useMemo, useRef, useState } from "react";
import type { Photo } from "#core/photo";
import { timelineWords as words } from "../../../text/index.ts";
import { useSizeOf } from "../../components/size-of.ts";
import { binPhotos, spanOf } from "../../state/library/time-bins.ts";

interface TimelineProps {
  readonly photos: readonly Photo[];
  readonly isPlaced: (id: string) => boolean;
  readonly span: { readonly from: string; readonly to: string } | undefined;
  readonly onSpan: (span: { readonly from: string; readonly to: string } | undefined) => void;
  /** The first photo of a bar was asked for. */
  readonly onGo: (photoId: string) => void;
}

const barsPx = 46;
const axisPx = 20;
const sidePx = 10;

/** How many photos each day, week or month has and which of them are on pages; brushing filters. */
export function Timeline({ photos, isPlaced, span, onSpan, onGo }: TimelineProps) {
  const [ref, size] = useSizeOf();
  const [zoom, setZoom] = useState<readonly [Date, Date]>();
  const whole = useMemo(() => spanOf(photos), [photos]);
  const domain = zoom ?? whole;
  const bins = useMemo(() => (domain ? binPhotos(photos, domain, isPlaced) : []), [photos, domain, isPlaced]);
  const axis = useRef<SVGGElement>(null);
  const brush = useRef<SVGGElement>(null);
  const width = (size?.w ?? 0) - 2 * sidePx;

  const x = useMemo(() => (domain && width > 0 ? scaleUtc(domain, [0, width]) : undefined), [domain, width]);
  useEffect(() => {
    if (!x || !axis.current) return;
    select(axis.current).call(
      axisBottom(x)
        .ticks(Math.max(2, Math.floor(width / 110)))
        .tickSizeOuter(0)
        .tickSizeInner(4),
    );
  }, [x, width]);

  useEffect(() => {
    if (!x || !brush.current) return;
    const group = select(brush.current);
    const tool = brushX<unknown>()
      .extent([
        [0, 0],
        [width, barsPx],
      ])
      .on("end", (e: D3BrushEvent<unknown>) => {
        // Set from outside, it has no event of a hand behind it.
        if (!e.sourceEvent) return;
        const picked = e.selection as [number, number] | null;
        if (!picked || picked[1] - picked[0] < 3) {
          const at = x.invert((picked ?? [e.sourceEvent.offsetX - sidePx, 0])[0]);
          const bin = bins.find((b) => at >= b.from && at < b.to);
          if (bin?.firstId) onGo(bin.firstId);
          if (picked === null) onSpan(undefined);
          return;
        }
        const iso = (px: number) => x.invert(px).toISOString().slice(0, 19);
        onSpan({ from: iso(picked[0]), to: iso(picked[1]) });
      });
    group.call(tool);
    group.call(tool.move, span ? [x(new Date(`${span.from}Z`)), x(new Date(`${span.to}Z`))] : null);
    group.selectAll(".selection").attr("fill", "#17757e").attr("fill-opacity", 0.16).attr("stroke", "#17757e");
    return () => void group.on(".brush", null);
  }, [x, width, span, bins, onSpan, onGo]);

  if (photos.length < 2 || !whole) return null;
  const y = scaleLinear([0, max(bins, (b) => b.count) ?? 1], [0, barsPx - 4]);
  return (
    <Box ref={ref} as="section" aria-label={words.label} px={`${sidePx}px`} position="relative" data-testid="timeline">
      <svg
        width={Math.max(0, width)}
        height={barsPx + axisPx}
        role="img"
        aria-label={words.label}
        style={{ display: "block", overflow: "visible" }}
      >
        <title>{words.help}</title>
        {x &&
          bins.map((b) => {
            // A week may begin before the first day that is shown.
            const [left, right] = [Math.max(0, x(b.from)), Math.min(width, x(b.to))];
            const w = Math.max(2, right - left - 1);
            return (
              <g key={b.from.getTime()} transform={`translate(${left} 0)`}>
                <rect y={barsPx - y(b.count)} width={w} height={y(b.count)} fill="#b9ad98" rx={1} />
                <rect y={barsPx - y(b.placed)} width={w} height={y(b.placed)} fill="#17757e" rx={1} />
              </g>
            );
          })}
        <g
          ref={axis}
          transform={`translate(0 ${barsPx})`}
          style={{ fontSize: 12, fontFamily: "inherit", color: "#5a655f" }}
        />
        <g ref={brush} />
      </svg>
      <HStack position="absolute" right={`${sidePx}px`} top="-7" gap="4" fontSize="12.5px" color="fg.subtle">
        <Key colour="glaze.500" name={words.placed} />
        <Key colour="oat.400" name={words.unplaced} />
        {span && !zoom && (
          <Button
            size="sm"
            h="6"
            variant="ghost"
            onClick={() => setZoom([new Date(`${span.from}Z`), new Date(`${span.to}Z`)])}
          >
            {words.zoomIn}
          </Button>
        )}
        {zoom && (
          <Button size="sm" h="6" variant="ghost" onClick={() => setZoom(undefined)}>
            {words.zoomOut}
          </Button>
        )}
      </HStack>
    </Box>
  );
}

function Key({ colour, name }: { readonly colour: string; readonly name: string }) {
  return (
    <HStack gap="1.5">
      <Box w="10px" h="10px" bg={colour} borderRadius="2px" />
      <Text as="span">{name}</Text>
    </HStack>
  );
}
