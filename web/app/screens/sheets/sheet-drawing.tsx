import { Box, Flex, Heading } from "@chakra-ui/react";
import { useRef } from "react";
import type { DrawnSheet } from "#core/sheet-files";
import type { Cut, LaidCard } from "#core/sheets";
import { sheets as words } from "../../../text/index.ts";
import { hears } from "../../commands/hear.ts";
import { alongRow } from "../../commands/keys.ts";
import { useSizeOf } from "../../components/size-of.ts";
import { useFacts } from "../../state/session/facts.ts";
import { useProject } from "../../state/session/hooks.ts";
import { CardPicture, isReadFromSide } from "./card-picture.tsx";
import { labelOf } from "./piece-labels.ts";
import css from "./sheet-drawing.module.css";

const roomPx = 34;

interface SheetDrawingProps {
  readonly sheet: DrawnSheet;
  readonly of: number;
  /** The item that is chosen, and the cut that is pointed at. */
  readonly chosen: number | undefined;
  readonly overCut: number | undefined;
  readonly onChoose: (item: number | undefined) => void;
}

/** One sheet to scale: the cards as they lie, and the cuts by their numbers. */
export function SheetDrawing({ sheet, of, chosen, overCut, onChoose }: SheetDrawingProps) {
  const { size, laid, index } = sheet;
  const [ref, room] = useSizeOf();
  const list = useRef<HTMLDivElement>(null);
  const side = isReadFromSide(sheet);
  const [wide, high] = side ? [size.heightMm, size.widthMm] : [size.widthMm, size.heightMm];
  const scale = room ? Math.min((room.w - 2 * roomPx) / wide, (room.h - 2 * roomPx) / high) : 0;
  const { cards } = laid;
  const onKeyDown = hears("sheet", {
    toNext: (e) => {
      const now = cards.findIndex((c) => c.item === chosen);
      const next = cards[(Math.max(0, now) + (now < 0 ? 0 : alongRow(e)) + cards.length) % cards.length];
      if (!next) return;
      onChoose(next.item);
      list.current?.querySelector<HTMLElement>(`[data-item="${next.item}"]`)?.focus();
    },
    choose: () => {
      const focused = document.activeElement?.getAttribute("data-item");
      if (focused != null) onChoose(Number(focused));
    },
    letGo: () => onChoose(undefined),
  });
  return (
    <Flex direction="column" flex="1" minH="0">
      <Heading as="h1" fontSize="21px" fontWeight="520" px="6" pt="5">
        {words.sheetOf(index + 1, of, size.name)}
      </Heading>
      <Box ref={ref} flex="1" minH="0" position="relative">
        {scale > 0 && (
          <div
            ref={list}
            role="listbox"
            aria-label={words.sheetOf(index + 1, of, size.name)}
            data-testid="sheet"
            className={css.paper}
            style={{
              width: size.widthMm * scale,
              height: size.heightMm * scale,
              left: (room!.w - size.widthMm * scale) / 2,
              top: (room!.h - size.heightMm * scale) / 2,
              transform: side ? "rotate(-90deg)" : undefined,
            }}
            onKeyDown={onKeyDown}
          >
            {laid.cards.map((card, i) => (
              <Card
                key={card.item}
                sheet={sheet}
                card={card}
                scale={scale}
                chosen={card.item === chosen}
                stop={chosen === undefined ? i === 0 : card.item === chosen}
                onChoose={() => onChoose(card.item === chosen ? undefined : card.item)}
              />
            ))}
            <CutLines cuts={laid.cuts} sheet={sheet} scale={scale} over={overCut} side={side} />
          </div>
        )}
      </Box>
    </Flex>
  );
}

interface CardProps {
  readonly sheet: DrawnSheet;
  readonly card: LaidCard;
  readonly scale: number;
  readonly chosen: boolean;
  /** Tab stops here. */
  readonly stop: boolean;
  readonly onChoose: () => void;
}

function Card({ sheet, card, scale, chosen, stop, onChoose }: CardProps) {
  const project = useProject((s) => s.project);
  const facts = useFacts();
  const want = sheet.wants.get(card.item)!;
  const { cell } = card;
  const label = words.card(labelOf(project, want, facts), sheet.index + 1);
  return (
    // biome-ignore lint/a11y/useKeyWithClickEvents: the sheet hears the keys for all of its cards
    <div
      role="option"
      aria-selected={chosen}
      aria-label={label}
      title={label}
      tabIndex={stop ? 0 : -1}
      data-item={card.item}
      className={`${css.card} ${chosen ? css.chosen : ""}`}
      onClick={onChoose}
      style={{ left: cell.x * scale, top: cell.y * scale, width: cell.w * scale, height: cell.h * scale }}
    >
      <CardPicture sheet={sheet} card={card} scale={scale} />
    </div>
  );
}

interface CutLinesProps {
  readonly cuts: readonly Cut[];
  readonly sheet: DrawnSheet;
  readonly scale: number;
  readonly over: number | undefined;
  /** Shown turned back, so that numbers have to be turned along. */
  readonly side: boolean;
}

/** Every cut as a line over the sheet, with its number where it begins. */
function CutLines({ cuts, sheet, scale, over, side }: CutLinesProps) {
  const { widthMm, heightMm } = sheet.size;
  const outPx = 11;
  return (
    <svg
      aria-hidden="true"
      className={css.cuts}
      width={widthMm * scale}
      height={heightMm * scale}
      viewBox={`0 0 ${widthMm * scale} ${heightMm * scale}`}
    >
      {cuts.map((cut) => {
        const [at, from, to] = [cut.atMm * scale, cut.fromMm * scale, cut.toMm * scale];
        const down = cut.way === "down";
        const state = over === cut.number ? css.overCut : "";
        // Cuts from the sheet's own edge have their number beside it; others where they begin.
        const outside = cut.fromMm < 0.02;
        const lead = outside ? -outPx : from + outPx;
        return (
          <g key={cut.number} className={state}>
            {[css.under, css.cut].map((look) => (
              <line
                key={look}
                className={look}
                x1={down ? at : from}
                y1={down ? from : at}
                x2={down ? at : to}
                y2={down ? to : at}
              />
            ))}
            <g transform={`translate(${down ? at : lead} ${down ? lead : at})${side ? " rotate(90)" : ""}`}>
              <circle r="9" className={css.spot} />
              <text className={css.number} y="4">
                {cut.number}
              </text>
            </g>
          </g>
        );
      })}
    </svg>
  );
}
