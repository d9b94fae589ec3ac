import { Box } from "@chakra-ui/react";
import { type ReactNode, useRef } from "react";
import { hears } from "../../../commands/hear.ts";
import { direction } from "../../../commands/keys.ts";
import { useDrawerPx, useShelfRows } from "./shelf-size.ts";
import { useScrollKept } from "./use-scroll-kept.ts";

interface CardStripProps {
  readonly label: string;
  readonly count: number;
  /** The card that the tab key stops at. */
  readonly stop: number;
  readonly onStop: (at: number) => void;
  readonly children: ReactNode;
}

/** Live pictures side by side, in as many rows as the shelf has; walked through by arrow keys, Escape lets go of the one looked at. */
export function CardStrip({ label, count, stop, onStop, children }: CardStripProps) {
  const strip = useRef<HTMLDivElement>(null);
  const rows = useShelfRows();
  const height = useDrawerPx();
  useScrollKept(strip, label);
  const cards = () => [...(strip.current?.querySelectorAll<HTMLElement>("[data-card]") ?? [])];
  const onKeyDown = hears("cards", {
    toNext: (e) => {
      const all = cards();
      const perRow = all.filter((c) => c.offsetTop === all[0]?.offsetTop).length;
      const by = direction(e).x + direction(e).y * perRow;
      const next = Math.max(0, Math.min(count - 1, stop + by));
      onStop(next);
      all[next]?.focus();
    },
    // A blur lets go; what Escape means to the place goes on from here.
    letGo: () => {
      if (document.activeElement instanceof HTMLElement) document.activeElement.blur();
      return false;
    },
  });
  return (
    <Box
      ref={strip}
      role="group"
      aria-label={label}
      display="flex"
      flexWrap={rows > 1 ? "wrap" : "nowrap"}
      alignContent="start"
      gap="1"
      px="3"
      pb="2"
      flex="1"
      minW="0"
      overflow="auto"
      style={{ height }}
      onKeyDown={onKeyDown}
    >
      {children}
    </Box>
  );
}
