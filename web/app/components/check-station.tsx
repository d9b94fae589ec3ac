import { walk } from "../../text/index.ts";
import { useVerdict } from "../state/checking/check-hooks.ts";
import { Station } from "./station.tsx";

/** The check, and what is left to fix. */
export function CheckStation({ to }: { readonly to: string }) {
  const { wrong, doubts, unsure } = useVerdict();
  const state = unsure ? walk.checking : walk.toFix(wrong, doubts);
  return <Station to={to} name={walk.check} state={state} tone={wrong > 0 ? "clay.600" : undefined} />;
}
