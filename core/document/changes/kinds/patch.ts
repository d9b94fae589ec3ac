/** Fields given another value, and fields taken away: absence says that something is inherited. */
export interface Patch<T> {
  readonly set?: { readonly [K in keyof T]?: T[K] };
  readonly unset?: readonly (keyof T & string)[];
}

/** The same object where it says all of that already. */
export function patched<T extends object>(was: T, { set = {}, unset = [] }: Patch<T>): T {
  const given = Object.entries(set) as [keyof T, T[keyof T]][];
  if (given.every(([k, v]) => was[k] === v) && unset.every((k) => !(k in was))) return was;
  const next = { ...was, ...set };
  for (const k of unset) delete next[k];
  return next;
}

/** What leads back from a patch. */
export function unpatched<T extends object>(was: T, { set = {}, unset = [] }: Patch<T>): Patch<T> {
  const keys = [...(Object.keys(set) as (keyof T & string)[]), ...unset];
  const here = keys.filter((k) => k in was && was[k] !== undefined);
  const gone = keys.filter((k) => !here.includes(k));
  return tidy({ set: Object.fromEntries(here.map((k) => [k, was[k]])) as Patch<T>["set"] & {}, unset: gone });
}

/** One patch that does what two in a row do. */
export function patchBoth<T extends object>(first: Patch<T>, next: Patch<T>): Patch<T> {
  const gone = new Set<string>(next.unset ?? []);
  const set = Object.fromEntries(
    Object.entries({ ...first.set, ...next.set }).filter(([k]) => k in (next.set ?? {}) || !gone.has(k)),
  ) as Patch<T>["set"] & {};
  const unset = [...new Set([...(first.unset ?? []), ...(next.unset ?? [])])].filter((k) => !(k in (next.set ?? {})));
  return tidy({ set, unset });
}

const tidy = <T>({ set = {}, unset = [] }: Patch<T>): Patch<T> => ({
  ...(Object.keys(set).length > 0 ? { set } : {}),
  ...(unset.length > 0 ? { unset } : {}),
});

/** What makes one object of another, by the fields that differ; nothing where none does. */
export function difference<T extends object>(was: T, is: T, keys: readonly (keyof T & string)[]): Patch<T> | undefined {
  const other = keys.filter((k) => was[k] !== is[k] && JSON.stringify(was[k]) !== JSON.stringify(is[k]));
  if (other.length === 0) return undefined;
  const here = other.filter((k) => is[k] !== undefined);
  return tidy({
    set: Object.fromEntries(here.map((k) => [k, is[k]])) as Patch<T>["set"] & {},
    unset: other.filter((k) => is[k] === undefined),
  });
}

/** Patches of several things with ids, one after the other: those of the same thing become one. */
export function patchAll<T extends object, P extends Patch<T> & { readonly id: string }>(
  first: readonly P[],
  next: readonly P[],
): readonly P[] {
  const byId = new Map<string, P>();
  for (const item of [...first, ...next]) {
    const was = byId.get(item.id);
    byId.set(item.id, was ? ({ id: item.id, ...patchBoth<T>(was, item) } as P) : item);
  }
  return [...byId.values()];
}
