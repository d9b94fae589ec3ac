import type { Severity } from "#core/check";
import { walk } from "../../text/index.ts";
import { useCheck, useFindings } from "../state/checking/check-hooks.ts";
import { Station } from "./station.tsx";

/** The check, and what is left to fix. */
export function CheckStation({ to }: { readonly to: string }) {
  const { open } = useFindings();
  const looking = useCheck((s) => s.looking);
  const looked = useCheck((s) => s.looked);
  const count = (weight: Severity) => open.filter((f) => f.severity === weight).length;
  const [wrong, doubts] = [count("wrong"), count("doubt")];
  // Nobody is told that nothing is wrong before all of it was looked at.
  const unsure = wrong === 0 && looking && (open.length === 0 || !looked);
  const state = unsure ? walk.checking : walk.toFix(wrong, doubts);
  return <Station to={to} name={walk.check} state={state} tone={wrong > 0 ? "clay.600" : undefined} />;
}
