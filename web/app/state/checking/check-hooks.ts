import { createContext, useContext, useMemo } from "react";
import { useStore } from "zustand";
import type { Finding, Severity } from "#core/check";
import { useProject } from "../session/hooks.ts";
import { type Checker, type CheckState, openFindings } from "./checker.ts";

export const CheckerContext = createContext<Checker | undefined>(undefined);

export function useChecker(): Checker {
  const checker = useContext(CheckerContext);
  if (!checker) throw new Error("useChecker outside of an open project");
  return checker;
}

export const useCheck = <T>(pick: (s: CheckState) => T): T => useStore(useChecker().state, pick);

/** What the check comes to. Nobody is told that nothing is wrong before all of it was looked at: until then it is `unsure`. */
export function useVerdict(): { readonly wrong: number; readonly doubts: number; readonly unsure: boolean } {
  const { open } = useFindings();
  const looking = useCheck((s) => s.looking);
  const looked = useCheck((s) => s.looked);
  const count = (severity: Severity) => open.filter((f) => f.severity === severity).length;
  const [wrong, doubts] = [count("wrong"), count("doubt")];
  return { wrong, doubts, unsure: wrong === 0 && looking && (doubts === 0 || !looked) };
}

/** Findings that nobody accepted, and those that somebody did. */
export function useFindings(): { readonly open: readonly Finding[]; readonly accepted: readonly Finding[] } {
  const all = useCheck((s) => s.findings);
  const project = useProject((s) => s.project);
  return useMemo(() => {
    const open = openFindings(all, project);
    return { open, accepted: all.filter((f) => !open.includes(f)) };
  }, [all, project]);
}
