/**
 * What can go wrong in use is a value: a code the interface has a sentence for, and the numbers that sentence needs.
 * A programmer's mistake throws instead.
 */
export interface Refusal<C extends string = string> {
  readonly ok: false;
  readonly code: C;
  readonly facts: Readonly<Record<string, number | string>>;
}

export interface Ok<T> {
  readonly ok: true;
  readonly value: T;
}

export type Result<T, C extends string = string> = Ok<T> | Refusal<C>;

export const ok = <T>(value: T): Ok<T> => ({ ok: true, value });

export const refused = <C extends string>(code: C, facts: Refusal["facts"] = {}): Refusal<C> => ({
  ok: false,
  code,
  facts,
});
