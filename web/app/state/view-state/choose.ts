/** Which things of a list are chosen, and where a range with shift starts from. */
export interface Choice {
  readonly ids: ReadonlySet<string>;
  readonly anchor: string | undefined;
}

export const nothingChosen: Choice = { ids: new Set(), anchor: undefined };

/** What a click means: alone it chooses one, with ctrl it adds or takes away, with shift it chooses up to there. */
export function choose(
  now: Choice,
  list: readonly string[],
  id: string,
  held: { readonly shift: boolean; readonly ctrl: boolean },
): Choice {
  if (held.shift && now.anchor !== undefined) {
    const [a, b] = [list.indexOf(now.anchor), list.indexOf(id)].sort((x, y) => x - y) as [number, number];
    const range = a < 0 ? [id] : list.slice(a, b + 1);
    return { ids: new Set(held.ctrl ? [...now.ids, ...range] : range), anchor: a < 0 ? id : now.anchor };
  }
  if (held.ctrl) {
    const ids = new Set(now.ids);
    if (!ids.delete(id)) ids.add(id);
    return { ids, anchor: id };
  }
  // A second click on the only chosen one lets it go.
  return now.ids.size === 1 && now.ids.has(id) ? nothingChosen : { ids: new Set([id]), anchor: id };
}

export const chooseAll = (list: readonly string[]): Choice => ({ ids: new Set(list), anchor: list[0] });
