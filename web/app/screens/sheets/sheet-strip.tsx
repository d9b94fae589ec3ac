import { Flex } from "@chakra-ui/react";
import { useRef } from "react";
import type { DrawnSheet } from "#core/sheet-files";
import { sheets as words } from "../../../text/index.ts";
import { hears } from "../../commands/hear.ts";
import { direction } from "../../commands/keys.ts";
import { CardPicture, isReadFromSide } from "./card-picture.tsx";
import css from "./sheet-strip.module.css";

const highPx = 64;
/** Further from the open one sheets are outlines: a picture of each card of hundreds of them is more than is looked at. */
const seenBeside = 12;

interface SheetStripProps {
  readonly sheets: readonly DrawnSheet[];
  readonly open: number;
  readonly onOpen: (index: number) => void;
}

/** All sheets in a row; one opens by a click or with the arrow keys. */
export function SheetStrip({ sheets, open, onOpen }: SheetStripProps) {
  const list = useRef<HTMLDivElement>(null);
  if (sheets.length < 2) return null;
  const onKeyDown = hears("strip", {
    toSheet: (e) => {
      const next = sheets[open + direction(e).x];
      if (!next) return;
      onOpen(next.index);
      list.current?.querySelector<HTMLElement>(`[data-sheet="${next.index}"]`)?.focus();
    },
  });
  return (
    <Flex
      ref={list}
      role="listbox"
      aria-label={words.sheetsList}
      aria-orientation="horizontal"
      gap="3"
      overflowX="auto"
      px="6"
      py="4"
      bg="oat.50"
      borderTopWidth="1px"
      borderColor="oat.300"
      align="end"
      onKeyDown={onKeyDown}
    >
      {sheets.map(({ index, size }) => {
        const scale = highPx / Math.max(size.widthMm, size.heightMm);
        return (
          // biome-ignore lint/a11y/useKeyWithClickEvents: the strip hears the keys for all of its sheets
          <div
            key={index}
            role="option"
            aria-selected={index === open}
            aria-label={words.sheetOf(index + 1, sheets.length, size.name)}
            data-sheet={index}
            tabIndex={index === open ? 0 : -1}
            className={`${css.spot} ${index === open ? css.open : ""}`}
            onClick={() => onOpen(index)}
          >
            <SmallSheet sheet={sheets[index]!} scale={scale} pictures={Math.abs(index - open) <= seenBeside} />
            <span>{index + 1}</span>
          </div>
        );
      })}
    </Flex>
  );
}

interface SmallSheetProps {
  readonly sheet: DrawnSheet;
  readonly scale: number;
  readonly pictures: boolean;
}

function SmallSheet({ sheet, scale, pictures }: SmallSheetProps) {
  const { widthMm: w, heightMm: h } = sheet.size;
  const side = isReadFromSide(sheet);
  const [wide, high] = side ? [h, w] : [w, h];
  return (
    <div aria-hidden className={css.paper} style={{ width: wide * scale, height: high * scale }}>
      <div
        style={{
          width: w * scale,
          height: h * scale,
          transformOrigin: "0 0",
          transform: side ? `translateY(${w * scale}px) rotate(-90deg)` : undefined,
        }}
      >
        {sheet.laid.cards.map((card) => (
          <div
            key={card.item}
            data-card
            className={css.card}
            style={{
              left: card.cell.x * scale,
              top: card.cell.y * scale,
              width: card.cell.w * scale,
              height: card.cell.h * scale,
            }}
          >
            {pictures && <CardPicture sheet={sheet} card={card} scale={scale} />}
          </div>
        ))}
      </div>
    </div>
  );
}
