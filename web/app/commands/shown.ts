import { keys as words } from "../../text/index.ts";
import { type Keys, parts } from "./keys.ts";
import { type CommandOf, type Scope, scopes } from "./table.ts";

const onMac = typeof navigator !== "undefined" && /mac/i.test(navigator.userAgent);

/** `Mod+Shift+Z` as it is written for a person. */
export function shown(keys: Keys): string {
  const { modifiers, key } = parts(keys);
  const names: Record<string, string> = words.names;
  const name = (k: string) => (k === "Mod" && onMac ? words.names.ModOnMac : (names[k] ?? k));
  return [...modifiers, key].map(name).join(words.and);
}

/** All keys of a command, as the sheet lists them. */
export function keysOf<S extends Scope>(scope: S, command: CommandOf<S>): readonly string[] {
  return (scopes[scope][command] as readonly Keys[]).map(shown);
}

/** The key that is named first for a command. */
export const firstKeyOf = <S extends Scope>(scope: S, command: CommandOf<S>): string => keysOf(scope, command)[0]!;

/** What a button does, with the first key that does it as well. */
export function hint<S extends Scope>(what: string, scope: S, command: CommandOf<S>): string {
  return words.hint(what, firstKeyOf(scope, command));
}
