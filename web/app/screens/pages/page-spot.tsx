import type { ReactNode } from "react";
import type { Page } from "#core/document";
import css from "./page-run.module.css";

interface PageSpotProps {
  readonly page: Page;
  readonly label: string;
  readonly open: boolean;
  readonly onOpen: () => void;
  readonly children: ReactNode;
}

/** A page in the run: the list hears the keys for all of its pages. */
export function PageSpot({ page, label, open, onOpen, children }: PageSpotProps) {
  return (
    // biome-ignore lint/a11y/useKeyWithClickEvents: the list hears the keys for all of its pages
    <div
      role="option"
      aria-selected={open}
      aria-label={label}
      data-page={page.id}
      tabIndex={open ? 0 : -1}
      onClick={onOpen}
      className={`${css.page} ${open ? css.open : ""}`}
    >
      {children}
    </div>
  );
}
