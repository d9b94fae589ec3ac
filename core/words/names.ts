/** Names and dates in what was written, so that two spellings of one name are seen before they are printed. */

export interface Mention {
  /** Which of the texts, and where in it (UTF-16). */
  readonly text: number;
  readonly from: number;
  readonly to: number;
}

export interface Named {
  readonly name: string;
  readonly mentions: readonly Mention[];
}

/** Two spellings that may be meant for one. */
export interface Alike {
  readonly a: Named;
  readonly b: Named;
  readonly distance: number;
}

const capitalised = /\p{Lu}[\p{L}\p{M}]+(?:[’'-]\p{L}[\p{L}\p{M}]*)*/gu;
/** After one of these, or at the beginning, any word has a capital. */
const begins = /(?:^|[.!?…:]|\n)["“„«‘'(\s]*$/u;

/** Words that sentences begin with, in the languages that words are divided in; no name is among them. */
const beginners = new Set(
  (
    "a an the this that these those there here it its he she we you they i my our his her their your and but or so if as at by for from in into of off on over " +
    "to up with without before after when while where who what why how then now all both each every some many more most one two three not no yes very only " +
    "first last next once again still just even about around under behind beside between " +
    "der die das ein eine einer ich du er sie wir ihr es und aber oder wenn als dann da hier dort nach vor mit ohne von zu im am beim zum zur auf aus bei " +
    "le la les un une des il elle nous vous ils elles et mais ou si quand avec sans dans sur sous pour par de du au aux " +
    "el los las una unos yo tú él ella nosotros ellos y pero o cuando con sin en por para del al"
  ).split(" "),
);

/** In German every noun has a capital; what stands right after one of these is hardly ever somebody's name. */
const determiners =
  /(?<!\p{L})(?:d(?:er|ie|as|en|em|es)|(?:ein|kein|mein|dein|sein|ihr|unser|euer|dies|jed|welch)(?:e|er|es|en|em)?|im|am|zum|zur|vom|beim|ins|ans|aufs|viele?r?|alle?r?|zwei|drei|vier)\s+$/iu;

const isGerman = (language: string): boolean => /^de\b/i.test(language);

/** Every capitalised word that stands within a sentence somewhere or that is no word sentences begin with, with all its mentions; by name. */
export function namesIn(texts: readonly string[], language: string): readonly Named[] {
  const found = new Map<string, { mentions: Mention[]; within: boolean; noun?: boolean }>();
  // What is written small elsewhere is no name either.
  const common = new Set([
    ...beginners,
    ...texts.flatMap((words) => words.match(/(?<!\p{L})\p{Ll}[\p{L}\p{M}]+/gu) ?? []),
  ]);
  for (const [text, words] of texts.entries())
    for (const { 0: name, index } of words.matchAll(capitalised)) {
      const known = found.get(name) ?? { mentions: [], within: false };
      known.mentions.push({ text, from: index, to: index + name.length });
      const first = begins.test(words.slice(Math.max(0, index - 12), index));
      known.within ||= !first || (name.length > 2 && !common.has(name.toLowerCase()));
      if (isGerman(language) && determiners.test(words.slice(Math.max(0, index - 12), index))) known.noun = true;
      found.set(name, known);
    }
  const order = new Intl.Collator(language);
  return [...found]
    .filter(([, { within, noun }]) => within && !noun)
    .map(([name, { mentions }]) => ({ name, mentions }))
    .sort((a, b) => order.compare(a.name, b.name));
}

/** Letters that were left out, put in, changed or swapped with their neighbour (optimal string alignment), as long as they are no more than `most`. */
export function editDistance(a: string, b: string, most: number): number {
  if (Math.abs(a.length - b.length) > most) return most + 1;
  let [before, last]: [number[], number[]] = [[], Array.from({ length: b.length + 1 }, (_, j) => j)];
  for (let i = 1; i <= a.length; i += 1) {
    const row = [i];
    for (let j = 1; j <= b.length; j += 1) {
      const same = a[i - 1] === b[j - 1];
      let cost = Math.min(last[j]! + 1, row[j - 1]! + 1, last[j - 1]! + (same ? 0 : 1));
      if (i > 1 && j > 1 && a[i - 1] === b[j - 2] && a[i - 2] === b[j - 1]) cost = Math.min(cost, before[j - 2]! + 1);
      row.push(cost);
    }
    if (Math.min(...row) > most) return most + 1;
    [before, last] = [last, row];
  }
  return Math.min(last[b.length]!, most + 1);
}

/** Names that differ by a letter or, where they are long, by two; the nearest first. A name and its plural or possessive are one. */
export function alikeNames(names: readonly Named[]): readonly Alike[] {
  const pairs: Alike[] = [];
  for (const [i, a] of names.entries())
    for (const b of names.slice(i + 1)) {
      const [x, y] = [a.name.toLowerCase(), b.name.toLowerCase()];
      const shorter = Math.min(x.length, y.length);
      const most = shorter < 4 ? 0 : shorter < 7 ? 1 : 2;
      const distance = editDistance(x, y, most);
      if (distance > most || isPlural(x, y) || isPlural(y, x)) continue;
      pairs.push({ a, b, distance });
    }
  const weight = ({ a, b }: Alike) => Math.max(a.mentions.length, b.mentions.length);
  return pairs.sort((p, q) => p.distance - q.distance || weight(q) - weight(p));
}

const isPlural = (one: string, many: string): boolean =>
  ["s", "’s", "'s", "es", "n", "en"].some((end) => many === one + end);

/** Days and years as they are written, in the order of the texts. */
export function datesIn(texts: readonly string[], language: string): readonly Named[] {
  const months = Array.from({ length: 12 }, (_, i) => {
    const day = new Date(Date.UTC(2026, i, 1));
    return ["long", "short"].map((month) =>
      new Intl.DateTimeFormat(language, { month: month as "long", timeZone: "UTC" }).format(day).replace(/\.$/, ""),
    );
  }).flat();
  const month = `(?:${[...new Set(months)].sort((a, b) => b.length - a.length).join("|")})\\.?`;
  const written = `\\d{1,2}(?:st|nd|rd|th|\\.)? (?:de |of )?${month}(?:,? (?:de )?\\d{4})?|${month} \\d{1,2}(?:st|nd|rd|th)?(?:,? \\d{4})?|${month} \\d{4}`;
  const all = new RegExp(
    `(?<![\\p{L}\\d])(?:${written}|\\d{1,2}[./]\\d{1,2}[./]\\d{2,4}|\\d{4}-\\d\\d-\\d\\d|1[5-9]\\d\\d|20\\d\\d)(?![\\p{L}\\d])`,
    "giu",
  );
  const found = new Map<string, Mention[]>();
  for (const [text, words] of texts.entries())
    for (const { 0: name, index } of words.matchAll(all))
      found.set(name, [...(found.get(name) ?? []), { text, from: index, to: index + name.length }]);
  return [...found].map(([name, mentions]) => ({ name, mentions }));
}

export interface FindHow {
  readonly matchCase?: boolean;
  readonly wholeWords?: boolean;
}

/** Every place where something is written, in order; none for nothing. */
export function mentionsOf(
  texts: readonly string[],
  wanted: string,
  { matchCase, wholeWords }: FindHow,
): readonly Mention[] {
  if (wanted === "") return [];
  const plain = wanted.replace(/[.*+?^${}()|[\]\\]/g, "\\$&");
  const edges = wholeWords ? [`(?<![\\p{L}\\p{M}\\p{N}])`, `(?![\\p{L}\\p{M}\\p{N}])`] : ["", ""];
  const pattern = new RegExp(`${edges[0]}${plain}${edges[1]}`, matchCase ? "gu" : "giu");
  return texts.flatMap((words, text) =>
    [...words.matchAll(pattern)].map(({ 0: hit, index }) => ({ text, from: index, to: index + hit.length })),
  );
}
