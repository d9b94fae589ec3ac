import { useMemo } from "react";
import { notes as words } from "../../../text/index.ts";
import { pageNumbers } from "../../state/notes/shown-notes.ts";
import { useApproval } from "../../state/notes/use-approval.ts";
import { useProject, useSession } from "../../state/session/hooks.ts";
import { pageWords } from "./note-words.ts";
import css from "./notes.module.css";

/** What readers approved, and what is other than they saw it. */
export function ApprovalBox() {
  const session = useSession();
  const project = useProject((s) => s.project);
  const numbers = useMemo(() => pageNumbers(project), [project]);
  const approval = useApproval();
  if (!approval) return null;
  const { approved, changedSince, toChange, wholeBy, wholeBefore, wholeToChange, of } = approval;
  const names = (some: typeof wholeBy) => some.map((a) => a.name || words.nobody);
  const links = (ids: readonly string[]) => (
    <span className={css.links}>
      {ids.map((id) => (
        <button key={id} type="button" className={css.link} onClick={() => session.goTo(id)}>
          {pageWords(id, numbers)}
        </button>
      ))}
    </span>
  );
  return (
    <section className={css.approval} aria-label={words.approval.title}>
      {approved.length > 0 && <p className={css.good}>{words.approval.approved(approved.length, of)}</p>}
      {changedSince.length > 0 && (
        <p>
          {words.approval.changedSince(changedSince.length)} {links(changedSince)}
        </p>
      )}
      {toChange.length > 0 && (
        <p>
          {words.approval.toChange(toChange.length)} {links(toChange)}
        </p>
      )}
      {wholeBy.length > 0 && <p className={css.good}>{words.approval.whole(names(wholeBy))}</p>}
      {wholeBefore.length > 0 && <p>{words.approval.wholeBefore(names(wholeBefore))}</p>}
      {wholeToChange.length > 0 && <p>{words.approval.wholeToChange(names(wholeToChange))}</p>}
    </section>
  );
}
