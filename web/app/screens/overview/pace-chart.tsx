import { Box, Text } from "@chakra-ui/react";
import { max, sum } from "d3-array";
import { scaleLinear } from "d3-scale";
import { type PointerEvent, useEffect, useMemo, useRef, useState } from "react";
import { type Page, pagesBefore } from "#core/document";
import { breakable, breakRange, photoIdsOn } from "#core/edit";
import { spanWords } from "#core/words";
import { formats, language as spoken, pace as words } from "../../../text/index.ts";
import { hears } from "../../commands/hear.ts";
import { direction } from "../../commands/keys.ts";
import { useSizeOf } from "../../components/size-of.ts";
import { useServices } from "../../services.ts";
import { moveBreak } from "../../state/edit/page-breaks.ts";
import { useLibrary, useProject, useSession } from "../../state/session/hooks.ts";
import { openPage } from "../../state/session/project-session.ts";

const heightPx = 64;
const timePx = 22;
const leastPhotoPx = 5;
const barePhotos = 0.8;
const narrowPx = 22;

interface PageBar {
  readonly page: Page;
  readonly number: number;
  readonly photos: number;
  readonly from: number;
  readonly to: number;
  readonly days: string;
  /** Said at the first page of a month. */
  readonly month: string;
}

/** Each page as wide as it has photos and as high as it is full, with the days it covers; the breaks between are dragged. */
export function PaceChart({ onOpen }: { readonly onOpen: (page: Page) => void }) {
  const session = useSession();
  const pages = useProject((s) => s.project.pages);
  const open = useProject((s) => openPage(s).id);
  const byId = useLibrary((s) => s.byId);
  const [ref, room] = useSizeOf();
  const strip = useRef<HTMLDivElement>(null);
  const bars = useMemo(() => {
    const before = pagesBefore(pages);
    let at = 0;
    let said = "";
    return pages.map((page, i): PageBar => {
      const ids = photoIdsOn(page);
      const taken = ids.flatMap((id) => byId.get(id)?.takenAt ?? []).sort();
      const from = at;
      at += Math.max(barePhotos, ids.length);
      const days = taken.length > 0 ? spanWords(taken[0]!, taken.at(-1)!, spoken) : "";
      const now = taken[0]?.slice(0, 7) ?? said;
      const month = now === said ? "" : formats.shortMonth(`${now}-01`);
      said = now;
      return { page, number: before[i]! + 1, photos: ids.length, from, to: at, days, month };
    });
  }, [pages, byId]);
  const total = bars.at(-1)?.to ?? 1;
  const width = Math.max(room?.w ?? 0, total * leastPhotoPx);
  const x = useMemo(() => scaleLinear([0, total], [0, width]), [total, width]);
  const y = useMemo(
    () => scaleLinear([0, Math.max(1, max(bars, (b) => b.photos / b.page.span) ?? 1)], [6, heightPx]),
    [bars],
  );
  useEffect(() => {
    const bar = bars.find((b) => b.page.id === open);
    const at = strip.current;
    if (bar && at && (x(bar.from) < at.scrollLeft || x(bar.to) > at.scrollLeft + at.clientWidth))
      at.scrollTo({ left: x(bar.from) - at.clientWidth / 2 });
  }, [open, bars, x]);
  const photos = sum(bars, (b) => b.photos);

  return (
    <Box as="section" aria-label={words.chart} ref={ref}>
      <Text fontSize="14px" color="fg.muted" mb="2">
        {words.chartLead(photos, bars.length)}
      </Text>
      <Box ref={strip} overflowX="auto" overflowY="hidden" position="relative" h={`${heightPx + timePx + 12}px`}>
        {room && (
          <svg width={width} height={heightPx + timePx} role="img" aria-label={words.chartSays(photos, bars.length)}>
            {bars.map((b) => {
              const [x0, x1] = [x(b.from), x(b.to)];
              const high = b.photos === 0 ? 6 : y(b.photos / b.page.span);
              const chosen = b.page.id === open;
              return (
                // biome-ignore lint/a11y/noStaticElementInteractions: the pages below the chart are reached by key
                <g key={b.page.id} onClick={() => onOpen(b.page)} style={{ cursor: "pointer" }}>
                  <title>{words.bar(b.number, b.photos, b.days)}</title>
                  <rect x={x0} y={0} width={x1 - x0} height={heightPx + timePx} fill="transparent" />
                  <rect
                    x={x0 + 1}
                    y={heightPx - high}
                    width={Math.max(1, x1 - x0 - 2)}
                    height={high}
                    rx={2}
                    fill={chosen ? "var(--chakra-colors-glaze-500)" : b.page.paced ? "#cdbfa6" : "#a3977f"}
                  />
                  {x1 - x0 > narrowPx && b.photos > 0 && (
                    <text
                      x={(x0 + x1) / 2}
                      y={heightPx - 6}
                      textAnchor="middle"
                      fontSize="11.5"
                      fontWeight={600}
                      fill={chosen ? "white" : "#22302b"}
                    >
                      {b.photos}
                    </text>
                  )}
                  {b.month !== "" && (
                    <text x={x0 + 2} y={heightPx + 15} fontSize="11.5" fill="#5d675f">
                      {b.month}
                    </text>
                  )}
                </g>
              );
            })}
          </svg>
        )}
        {room &&
          bars.slice(1).map((right, i) => {
            const left = bars[i]!;
            return breakable(left.page, right.page) ? (
              <Break
                key={right.page.id}
                left={left}
                right={right}
                pxPerPhoto={x(1) - x(0)}
                at={x(right.from)}
                session={session}
              />
            ) : null;
          })}
      </Box>
    </Box>
  );
}

interface BreakProps {
  readonly left: PageBar;
  readonly right: PageBar;
  readonly pxPerPhoto: number;
  readonly at: number;
  readonly session: ReturnType<typeof useSession>;
}

/** A page break: dragged, or moved by arrow keys, it takes photos along from one page to the next. */
function Break({ left, right, pxPerPhoto, at, session }: BreakProps) {
  const services = useServices();
  const from = useRef<number>(undefined);
  const [by, setBy] = useState(0);
  const [least, most] = breakRange(left.page, right.page);
  const stepsOf = (e: PointerEvent) =>
    Math.max(least, Math.min(most, Math.round((e.clientX - (from.current ?? e.clientX)) / pxPerPhoto)));
  const move = (steps: number) => moveBreak(services, session, left.page.id, right.page.id, steps);
  const onKeyDown = hears("pageBreak", { moveBreak: (e) => move(direction(e).x) });
  return (
    <Box
      role="separator"
      aria-orientation="vertical"
      aria-label={words.pageBreak(left.number, right.number)}
      aria-valuenow={left.photos}
      aria-valuemin={1}
      aria-valuemax={left.photos + right.photos - 1}
      tabIndex={0}
      title={words.breakHelp}
      position="absolute"
      top="0"
      h={`${heightPx}px`}
      w="10px"
      ml="-5px"
      cursor="col-resize"
      style={{ left: at + by * pxPerPhoto, touchAction: "none" }}
      onPointerDown={(e) => {
        e.currentTarget.setPointerCapture(e.pointerId);
        from.current = e.clientX;
      }}
      onPointerMove={(e) => from.current !== undefined && setBy(stepsOf(e))}
      onPointerUp={(e) => {
        const steps = stepsOf(e);
        from.current = undefined;
        setBy(0);
        move(steps);
      }}
      onKeyDown={onKeyDown}
      outline="none"
      _before={{
        content: '""',
        position: "absolute",
        left: "4px",
        top: "0",
        bottom: "0",
        w: "2px",
        bg: by !== 0 ? "glaze.500" : "transparent",
      }}
      _hover={{ _before: { bg: "glaze.500" } }}
      _focusVisible={{ _before: { bg: "glaze.600", w: "4px", left: "3px" } }}
    />
  );
}
