import { useEffect, useRef } from "react";
import { isPressed, type Pressed } from "./keys.ts";
import { type CommandOf, type Scope, scopes } from "./table.ts";
import { typingIn } from "./typing-in.ts";

/** What a scope's commands do. `false` says that there was nothing to do, and the key goes on to whoever else hears it. */
export type Handlers<S extends Scope> = { readonly [C in CommandOf<S>]: (e: Pressed) => unknown };

/** The command of a scope that a key stands for. */
export function commandOf<S extends Scope>(scope: S, e: Pressed): CommandOf<S> | undefined {
  const table: Record<string, readonly string[]> = scopes[scope];
  return Object.keys(table).find((c) => table[c]!.some((keys) => isPressed(keys, e))) as CommandOf<S> | undefined;
}

/** Does what a key stands for in this scope, and says whether there was anything. */
export function obey<S extends Scope>(
  scope: S,
  handlers: Handlers<S>,
  e: Pressed & { preventDefault(): void },
): boolean {
  const command = commandOf(scope, e);
  if (command === undefined || handlers[command](e) === false) return false;
  e.preventDefault();
  return true;
}

/** For an element: obeys, and then nobody else hears of the key. */
export const hears =
  <S extends Scope>(scope: S, handlers: Handlers<S>) =>
  (e: Pressed & { preventDefault(): void; stopPropagation(): void }): void => {
    if (obey(scope, handlers, e)) e.stopPropagation();
  };

/** For a place: obeys wherever the focus is, except in a field that is typed in and where somebody else took the key. */
export function useKeys<S extends Scope>(scope: S, handlers: Handlers<S>): void {
  const now = useRef(handlers);
  now.current = handlers;
  useEffect(() => {
    const hear = (e: KeyboardEvent) => {
      if (!e.defaultPrevented && !typingIn(e.target)) obey(scope, now.current, e);
    };
    window.addEventListener("keydown", hear);
    return () => window.removeEventListener("keydown", hear);
  }, [scope]);
}
