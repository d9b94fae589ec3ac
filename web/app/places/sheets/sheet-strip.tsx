import { Flex } from "@chakra-ui/react";
import type { KeyboardEvent } from "react";
import type { DrawnSheet } from "#core/sheet-files";
import { sheets as words } from "../../../text/sheets.ts";
import css from "./sheet-strip.module.css";

const highPx = 64;

interface SheetStripProps {
  readonly sheets: readonly DrawnSheet[];
  readonly open: number;
  readonly onOpen: (index: number) => void;
}

/** All sheets in a row, as outlines; one opens by a click or with the arrow keys. */
export function SheetStrip({ sheets, open, onOpen }: SheetStripProps) {
  if (sheets.length < 2) return null;
  const onKeyDown = (e: KeyboardEvent<HTMLElement>) => {
    const by = { ArrowRight: 1, ArrowLeft: -1 }[e.key];
    const next = by && sheets[open + by];
    if (!next) return;
    e.preventDefault();
    onOpen(next.index);
    e.currentTarget.querySelector<HTMLElement>(`[data-sheet="${next.index}"]`)?.focus();
  };
  return (
    <Flex
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
      {sheets.map(({ index, size, laid }) => {
        const scale = highPx / Math.max(size.widthMm, size.heightMm);
        return (
          <div
            key={index}
            role="option"
            aria-selected={index === open}
            aria-label={words.sheetOf(index + 1, sheets.length, size.name)}
            data-sheet={index}
            tabIndex={index === open ? 0 : -1}
            className={`${css.spot} ${index === open ? css.open : ""}`}
            onClick={() => onOpen(index)}
            onKeyDown={(e) => {
              if (e.key === "Enter") onOpen(index);
            }}
          >
            <svg
              aria-hidden="true"
              className={css.paper}
              width={size.widthMm * scale}
              height={size.heightMm * scale}
              viewBox={`0 0 ${size.widthMm} ${size.heightMm}`}
            >
              {laid.cards.map(({ item, cell }) => (
                <rect key={item} className={css.card} x={cell.x} y={cell.y} width={cell.w} height={cell.h} />
              ))}
            </svg>
            <span>{index + 1}</span>
          </div>
        );
      })}
    </Flex>
  );
}
