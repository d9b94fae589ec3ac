import { useMemo } from "react";
import { pageCount, rulesOf } from "#core/document";
import { bindsSo, boundPages } from "#core/lab";
import { book as words } from "../../../text/index.ts";
import { useProject } from "./hooks.ts";

/** How many pages there are, and whether the lab binds so many. */
export function usePageCountWords(): { readonly words: string; readonly fits: boolean } {
  const project = useProject((s) => s.project);
  return useMemo(() => {
    const count = pageCount(project.pages);
    const rules = rulesOf(project);
    if (!rules || bindsSo(rules, count)) return { words: words.count(count), fits: true };
    const above = boundPages(rules, count);
    const below = above - rules.pages.step;
    const near = [below, above].filter((n) => bindsSo(rules, n));
    return { words: words.countOff(count, near), fits: false };
  }, [project]);
}
