import type { Weight } from "#core/check";
import { walk } from "../../text/places.ts";
import { useCheck, useFindings } from "../state/check-hooks.ts";
import { Station } from "./station.tsx";

/** The check, and what is left to fix. */
export function CheckStation({ to }: { readonly to: string }) {
  const { open } = useFindings();
  const looking = useCheck((s) => s.looking);
  const count = (weight: Weight) => open.filter((f) => f.weight === weight).length;
  const [wrong, doubts] = [count("wrong"), count("doubt")];
  const state = looking && open.length === 0 ? walk.checking : walk.toFix(wrong, doubts);
  return <Station to={to} name={walk.check} state={state} tone={wrong > 0 ? "clay.600" : undefined} />;
}
