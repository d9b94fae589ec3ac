import { Grid } from "@chakra-ui/react";
import type { KeyboardEvent, ReactNode } from "react";

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
  const onKeyDown = (e: KeyboardEvent<HTMLElement>) => {
    const by = { ArrowRight: 1, ArrowLeft: -1, ArrowDown: columns, ArrowUp: -columns }[e.key];
    // A blur lets go; what Escape means to the place goes on from here.
    if (e.key === "Escape") (e.target as HTMLElement).blur();
    if (by === undefined) return;
    const next = Math.max(0, Math.min(count - 1, stop + by));
    onStop(next);
    e.currentTarget.querySelectorAll<HTMLElement>("[data-card]")[next]?.focus();
    e.preventDefault();
    e.stopPropagation();
  };
  return (
    <Grid
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
