import { notes as words } from "../../../text/index.ts";
import css from "./notes.module.css";

/** How many notes on a page wait, on its small picture. */
export const NoteBadge = ({ count }: { readonly count: number | undefined }) =>
  count ? (
    <span className={css.badge} title={words.badge(count)}>
      {count}
    </span>
  ) : null;
