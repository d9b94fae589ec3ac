import type { ReactNode } from "react";
import type { Page } from "#core/document";
import { NoteBadge } from "../../components/notes/note-badge.tsx";
import css from "./page-run.module.css";

interface PageSpotProps {
  readonly page: Page;
  readonly label: string;
  readonly open: boolean;
  /** Notes on it that wait. */
  readonly notes: number | undefined;
  readonly onOpen: () => void;
  readonly children: ReactNode;
}

/** A page in the run: the list hears the keys for all of its pages. */
export function PageSpot({ page, label, open, notes, onOpen, children }: PageSpotProps) {
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
      <NoteBadge count={notes} />
    </div>
  );
}
