import type { Frame, PlacedPage, PlacedTile, Words } from "#core/document";
import {
  chain,
  type Matrix,
  type PathData,
  record,
  rotation,
  scaling,
  traceRect,
  transformed,
  translation,
} from "#core/geometry";
import {
  bentBar,
  dayWords,
  type FaceNeeds,
  faceKey,
  firstLanguage,
  type LaidWords,
  layWords,
  mmOfPt,
  type SetGlyph,
} from "#core/words";
import type { DrawStep, SceneFacts } from "./steps.ts";

/** What words say: a photo's own caption or day while they follow it, else what was typed. */
export function wordsOf(words: Pick<Words, "text" | "from">, facts: Pick<SceneFacts, "photo" | "language">): string {
  const { from } = words;
  if (!from) return words.text;
  const photo = facts.photo(from.photoId);
  if (!photo) return words.text;
  const day = photo.takenAt === undefined ? "" : dayWords(photo.takenAt, facts.language ?? firstLanguage);
  if (from.what === "day") return day;
  const caption = photo.caption ?? "";
  return from.what === "caption" ? caption : [caption, day].filter(Boolean).join("\n");
}

/** All words on a page, by what they are set with. */
export const wordsNeeded = (
  page: Pick<PlacedPage, "tiles">,
  facts: Pick<SceneFacts, "photo" | "language">,
): readonly FaceNeeds[] =>
  page.tiles.flatMap(({ filling }): FaceNeeds[] =>
    filling.kind === "words" ? [{ text: wordsOf(filling, facts), style: filling.style, spans: filling.spans }] : [],
  );

interface Laying {
  readonly text: string;
  readonly words: Pick<Words, "style" | "spans" | "cut">;
  readonly language: string | undefined;
  readonly w: number;
  readonly h: number;
  readonly laid: LaidWords;
}

/** By face; small, since only what is on screen is asked for again and again. */
const remembered = new WeakMap<object, Laying[]>();
const kept = 64;

/** Words set in a tile; undefined while their font is not there. */
export function laidWords(
  words: Words,
  { width: w, height: h }: Pick<Frame, "width" | "height">,
  facts: SceneFacts,
): LaidWords | undefined {
  const { setter, language } = facts;
  const face = setter?.face(faceKey(words.style));
  if (!setter || !face) return undefined;
  const text = wordsOf(words, facts);
  const { style, spans, cut } = words;
  const known = remembered.get(face) ?? [];
  remembered.set(face, known);
  const same = known.find(
    (k) =>
      k.text === text &&
      k.words.style === style &&
      k.words.spans === spans &&
      k.words.cut === cut &&
      k.w === w &&
      k.h === h &&
      k.language === language,
  );
  if (same) return same.laid;
  const laid = layWords({ text, style, spans: words.from ? undefined : spans, language, cut }, { w, h }, setter);
  if (!laid) return undefined;
  // It is set anew when the font has come.
  if (!laid.waiting) known.push({ text, words, language, w, h, laid });
  if (known.length > kept) known.shift();
  return laid;
}

/** Laid words as steps, one for each stretch of letters that look alike, with what is behind them and under them. */
export function letterSteps(words: Words, laid: LaidWords, text: string, matrix: Matrix): readonly DrawStep[] {
  const bars = (behind: boolean) =>
    laid.lines
      .flatMap((l) => (l.bars ?? []).filter((b) => b.behind === behind))
      .map((bar): DrawStep => {
        const path = transformed(laid.bend ? bentBar(laid.bend, bar) : record((to) => traceRect(bar, to)), matrix);
        return { draw: "fill", path, rule: "nonzero", colour: bar.colour };
      });
  const { outline } = words.style;
  const stretches: { readonly look: number; readonly glyphs: SetGlyph[]; from: number; to: number }[] = [];
  for (const line of laid.lines)
    for (const g of line.glyphs) {
      const last = stretches.at(-1);
      const look = g.look ?? 0;
      // What a line says is said once, however many looks it has.
      if (last?.look !== look)
        stretches.push({ look, glyphs: [g], from: Math.max(line.from, last?.to ?? 0), to: line.to });
      else {
        last.glyphs.push(g);
        last.to = line.to;
      }
    }
  return [
    ...bars(true),
    ...stretches.map(({ look, glyphs, from, to }): DrawStep => {
      const { face, sizeMm, colour } = laid.looks[look]!;
      return {
        draw: "words",
        face,
        sizeMm,
        colour,
        glyphs,
        matrix,
        text: stretches.length === 1 ? text : text.slice(from, to),
        ...(outline ? { outline } : {}),
      };
    }),
    ...bars(false),
  ];
}

/** From the words' own top left to the page. */
export function wordsMatrix(
  frame: Frame,
  laid: Pick<LaidWords, "size">,
  { style, mirrored }: Pick<Words, "style" | "mirrored">,
): Matrix {
  return chain(
    translation(frame.centre.x, frame.centre.y),
    rotation((frame.turn * Math.PI) / 180),
    scaling(mirrored ? -1 : 1, 1),
    rotation((style.turn * Math.PI) / 180),
    translation(-laid.size.w / 2, -laid.size.h / 2),
  );
}

const rulingMm = 0.18;
const leastPitchMm = 2;

/** The lines of a journaling card: level ones where words stand on them, or squares as far apart. */
export function cardSteps(tile: Pick<PlacedTile, "frame">, words: Words, laid: LaidWords | undefined): DrawStep[] {
  const { card, style } = words;
  if (!card || card.lines === "none") return [];
  const upright = style.turn === 0 || style.turn === 180;
  const { width, height, centre, turn } = tile.frame;
  const size = upright ? { w: width, h: height } : { w: height, h: width };
  const inset = Math.min(style.insetMm, size.w / 4, size.h / 4);
  const pitch = Math.max(leastPitchMm, mmOfPt(style.sizePt) * style.leading);
  // A little below the baseline, where a pen's line would be.
  const below = mmOfPt(style.sizePt) * 0.2;
  const first = style.vertical === "top" && laid?.lines[0] ? laid.lines[0].baseline + below : inset + pitch;
  const paths: PathData[] = [];
  const bar = (x: number, y: number, w: number, h: number) => paths.push(record((to) => traceRect({ x, y, w, h }, to)));
  for (let y = first; y <= size.h - inset / 2; y += pitch) bar(inset, y, size.w - 2 * inset, rulingMm);
  if (card.lines === "squared") {
    const across = Math.floor((size.w - 2 * inset) / pitch);
    const [top, foot] = [first - pitch * Math.floor((first - inset) / pitch), size.h - inset / 2];
    for (let i = 0; i <= across; i += 1) bar(inset + i * pitch, top, rulingMm, foot - top);
  }
  const toPage = chain(
    translation(centre.x, centre.y),
    rotation(((turn + style.turn) * Math.PI) / 180),
    translation(-size.w / 2, -size.h / 2),
  );
  return paths.map((path) => ({ draw: "fill", path: transformed(path, toPage), rule: "nonzero", colour: card.ink }));
}
