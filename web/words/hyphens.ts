/** Where words of a language may be divided, by its patterns (F. M. Liang, "Word Hy-phen-a-tion by Com-put-er", 1983). */
export type Divider = (word: string) => readonly number[];

interface Patterns {
  hyphenateSync(text: string, options: { readonly hyphenChar: string; readonly minWordLength: number }): string;
}

const patterns: Readonly<Record<string, () => Promise<unknown>>> = {
  "en-us": () => import("hyphen/en-us"),
  en: () => import("hyphen/en-gb"),
  de: () => import("hyphen/de"),
  fr: () => import("hyphen/fr"),
  es: () => import("hyphen/es"),
};

/** The patterns that a language (BCP 47) is divided by: its own, or those of the language it is a kind of. */
export function patternsFor(language: string): string | undefined {
  const tag = language.toLowerCase();
  return [tag, tag.split("-")[0]!].find((name) => name in patterns);
}

const mark = "\u00ad";

export async function loadDivider(name: string): Promise<Divider> {
  const read = (await patterns[name]!()) as { readonly default?: Patterns } & Patterns;
  const { hyphenateSync } = read.default ?? read;
  const known = new Map<string, readonly number[]>();
  return (word) => {
    const before = known.get(word);
    if (before) return before;
    const parts = hyphenateSync(word, { hyphenChar: mark, minWordLength: 5 }).split(mark);
    let at = 0;
    const found = parts.slice(0, -1).map((part) => {
      at += part.length;
      return at;
    });
    if (known.size > 20_000) known.clear();
    known.set(word, found);
    return found;
  };
}
