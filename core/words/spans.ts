import type { Span, WordStyle } from "./schema/fonts.ts";

export type { Span } from "./schema/fonts.ts";

/** What a stretch of text can say of its own. */
export type SpanLook = Omit<Span, "from" | "to">;

const keys = ["font", "sizePt", "bold", "italic", "underline", "colour", "highlight", "raised", "list"] as const;

const lookOf = (span: Span): SpanLook => {
  const { from: _from, to: _to, ...look } = span;
  return look;
};

const sameLook = (a: SpanLook, b: SpanLook): boolean => keys.every((k) => a[k] === b[k]);

/** Without what is said as nothing, and without what words of this style look like anyway. */
function tidy(look: SpanLook, style: WordStyle): SpanLook {
  const base: SpanLook = { ...style, underline: style.underline ?? false };
  return Object.fromEntries(keys.flatMap((k) => (look[k] === undefined || look[k] === base[k] ? [] : [[k, look[k]]])));
}

/** In order, neighbours that look alike made one; undefined where nothing is left. */
function joined(spans: readonly Span[]): readonly Span[] | undefined {
  const out: Span[] = [];
  for (const span of spans) {
    if (span.to <= span.from || Object.keys(lookOf(span)).length === 0) continue;
    const last = out.at(-1);
    if (last && last.to === span.from && sameLook(lookOf(last), lookOf(span)))
      out[out.length - 1] = { ...last, to: span.to };
    else out.push(span);
  }
  return out.length > 0 ? out : undefined;
}

/** What is said of the letter at `at`; nothing where it is as the words are. */
export const spanAt = (spans: readonly Span[] | undefined, at: number): SpanLook => {
  const span = spans?.find((s) => s.from <= at && at < s.to);
  return span ? lookOf(span) : {};
};

/** The stretch from `from` to `to` looking so; a value of undefined takes what was said away. */
export function withSpan(
  spans: readonly Span[] | undefined,
  { from, to }: { readonly from: number; readonly to: number },
  look: SpanLook,
  style: WordStyle,
): readonly Span[] | undefined {
  if (to <= from) return spans;
  const edges = new Set([from, to]);
  for (const s of spans ?? []) for (const at of [s.from, s.to]) if (at > from && at < to) edges.add(at);
  const cuts = [...edges].sort((a, b) => a - b);
  const inside = cuts.slice(1).map((end, i): Span => {
    const start = cuts[i]!;
    return { ...tidy({ ...spanAt(spans, start), ...look }, style), from: start, to: end };
  });
  const before = (spans ?? []).flatMap((s) => (s.from < from ? [{ ...s, to: Math.min(s.to, from) }] : []));
  const after = (spans ?? []).flatMap((s) => (s.to > to ? [{ ...s, from: Math.max(s.from, to) }] : []));
  return joined([...before, ...inside, ...after]);
}

/** Where two texts differ: what stands from `from` to `before` in one stands from `from` to `after` in the other. */
export function difference(
  a: string,
  b: string,
): { readonly from: number; readonly before: number; readonly after: number } {
  const short = Math.min(a.length, b.length);
  let from = 0;
  while (from < short && a[from] === b[from]) from += 1;
  let same = 0;
  while (same < short - from && a[a.length - 1 - same] === b[b.length - 1 - same]) same += 1;
  return { from, before: a.length - same, after: b.length - same };
}

/**
 * The same stretches after a text was changed. What is typed looks as the letter before it; what takes the place of a stretch looks as its first letter
 * did.
 */
export function spansAfter(
  spans: readonly Span[] | undefined,
  before: string,
  after: string,
): readonly Span[] | undefined {
  if (!spans || before === after) return spans;
  const { from, before: old, after: now } = difference(before, after);
  const by = now - old;
  const kept = spans.flatMap((s) => (s.from < from ? [{ ...s, to: Math.min(s.to, from) }] : []));
  const typed = { ...spanAt(spans, old > from ? from : from - 1), from, to: now };
  const moved = spans.flatMap((s) => (s.to > old ? [{ ...s, from: Math.max(s.from, old) + by, to: s.to + by }] : []));
  return joined([...kept, typed, ...moved]);
}

/** Stretches cut out of a text with it: those of `from` to `to`, counted from there. */
export const spansWithin = (
  spans: readonly Span[] | undefined,
  from: number,
  to: number,
): readonly Span[] | undefined =>
  joined(
    (spans ?? []).flatMap((s) =>
      s.to > from && s.from < to ? [{ ...s, from: Math.max(s.from, from) - from, to: Math.min(s.to, to) - from }] : [],
    ),
  );

/** The stretches of two texts, one after the other. */
export const spansJoined = (
  first: readonly Span[] | undefined,
  length: number,
  second: readonly Span[] | undefined,
): readonly Span[] | undefined =>
  joined([...(first ?? []), ...(second ?? []).map((s) => ({ ...s, from: s.from + length, to: s.to + length }))]);

/** The word that a caret stands in or beside; the place itself where there is none. */
export function wordAround(text: string, at: number): { readonly from: number; readonly to: number } {
  const inWord = (i: number) => i >= 0 && i < text.length && /[\p{L}\p{M}\p{N}’']/u.test(text[i]!);
  let [from, to] = [at, at];
  while (inWord(from - 1)) from -= 1;
  while (inWord(to)) to += 1;
  return { from, to };
}
