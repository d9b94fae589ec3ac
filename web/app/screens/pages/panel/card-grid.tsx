import { Grid } from "@chakra-ui/react";
import { type ReactNode, useRef } from "react";
import { hears } from "../../../commands/hear.ts";
import { direction } from "../../../commands/keys.ts";

interface CardGridProps {
  readonly label: string;
  readonly columns: number;
  readonly count: number;
  /** The card that the tab key stops at. */
  readonly stop: number;
  readonly onStop: (at: number) => void;
  readonly children: ReactNode;
}

/** Cards of pages that could be, walked through by arrow keys; Escape lets go of the one looked at. */
export function CardGrid({ label, columns, count, stop, onStop, children }: CardGridProps) {
  const grid = useRef<HTMLDivElement>(null);
  const onKeyDown = hears("cards", {
    toNext: (e) => {
      const by = direction(e).x + direction(e).y * columns;
      const next = Math.max(0, Math.min(count - 1, stop + by));
      onStop(next);
      grid.current?.querySelectorAll<HTMLElement>("[data-card]")[next]?.focus();
    },
    // A blur lets go; what Escape means to the place goes on from here.
    letGo: () => {
      if (document.activeElement instanceof HTMLElement) document.activeElement.blur();
      return false;
    },
  });
  return (
    <Grid
      ref={grid}
      role="group"
      aria-label={label}
      templateColumns={`repeat(${columns}, minmax(0, 1fr))`}
      gap="1"
      mx="-1.5"
      onKeyDown={onKeyDown}
    >
      {children}
    </Grid>
  );
}
