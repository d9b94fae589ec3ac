import { brokenAsWhole, brokenOneByOne, type LineRun } from "./break-lines.ts";
import type { Face, Typesetter } from "./face.ts";
import { type Paragraph, shapedParagraph } from "./paragraph.ts";
import type { WordStyle } from "./schema/fonts.ts";
import { hangOf } from "./set-line.ts";
import { type Span, spansWithin } from "./spans.ts";
import { mmOfPt } from "./units.ts";

/** What is set: a text, how it looks, and where it begins when another box shows what comes before. */
export interface WordsToLay {
  readonly text: string;
  readonly style: WordStyle;
  readonly spans?: readonly Span[] | undefined;
  /** In which words are divided (BCP 47). */
  readonly language?: string | undefined;
  readonly from?: number | undefined;
  /** What finds no room goes on in another box. */
  readonly goesOn?: boolean | undefined;
  /** The text is a part of a longer one, that begins or ends within a paragraph. */
  readonly cut?: { readonly start?: true | undefined; readonly end?: true | undefined } | undefined;
}

/** Around each line of a paragraph, in mm. */
export interface Heights {
  readonly pitch: number;
  readonly ascent: number;
  readonly descent: number;
}

/** A line before it is known where it stands. */
export interface Waiting extends Heights {
  readonly paragraph: Paragraph;
  readonly offset: number;
  readonly run: LineRun;
  readonly first: boolean;
  readonly last: boolean;
  readonly indent: number;
  /** Room over it, beyond its own height. */
  readonly before: number;
  /** The number of its item in a list. */
  readonly item: number;
}

/** The lines of a text in order, at least as many as go into `roomMm` and one more. */
export function waitingLines(
  { text, style, spans, language, from = 0, cut }: WordsToLay,
  width: number,
  face: Face,
  setter: Typesetter,
  roomMm: number,
): readonly Waiting[] {
  const lines: Waiting[] = [];
  let tall = 0;
  let item = 0;
  let start = from;
  // Columns may leave a few lines free each.
  while (start <= text.length && tall <= roomMm * 1.5 + slackLines * mmOfPt(style.sizePt)) {
    const newline = text.indexOf("\n", start);
    const end = newline < 0 ? text.length : newline;
    const own = text.slice(start, end).replace(/\r$/, "");
    const continued = start === from && (from > 0 ? text[from - 1] !== "\n" : cut?.start === true);
    const goesOn = newline < 0 && cut?.end === true;
    const set = setParagraph(own, spansWithin(spans, start, end), style, width, { face, setter, language, continued });
    if (!set) return lines;
    const { paragraph, runs, indent } = set;
    item = paragraph.list === "numbers" ? item + 1 : 0;
    for (const [i, run] of runs.entries()) {
      const first = i === 0;
      const heights = heightsOf(paragraph, run, style, face);
      const before = first && lines.length > 0 && !continued ? (style.paragraphLines ?? 0) * heights.pitch : 0;
      tall += before + heights.pitch;
      lines.push({
        ...heights,
        paragraph,
        offset: start,
        run,
        first: first && !continued,
        last: (i === runs.length - 1 && !goesOn) || /[\n\r\u2028]/.test(own.slice(run.to, run.end)),
        indent: indent(i),
        before,
        item,
      });
    }
    start = end + 1;
  }
  return lines;
}

const slackLines = 20;
/** What is longer is no paragraph that anybody wrote, and would take seconds. */
const mostWhole = 20_000;

interface SetParagraph {
  readonly paragraph: Paragraph;
  readonly runs: readonly LineRun[];
  /** How far a line is moved in from where it would begin, by its number. */
  readonly indent: (line: number) => number;
}

interface Setting {
  readonly face: Face;
  readonly setter: Typesetter;
  readonly language: string | undefined;
  readonly continued: boolean;
}

const keptParagraphs = 500;
const known = new WeakMap<Face, WeakMap<WordStyle, Map<string, SetParagraph>>>();

function memoryOf(face: Face, style: WordStyle): Map<string, SetParagraph> {
  const styles = known.get(face) ?? new WeakMap<WordStyle, Map<string, SetParagraph>>();
  known.set(face, styles);
  const memory = styles.get(style) ?? new Map<string, SetParagraph>();
  styles.set(style, memory);
  return memory;
}

/** While somebody writes, all paragraphs but one are what they were. */
function setParagraph(
  text: string,
  spans: readonly Span[] | undefined,
  style: WordStyle,
  width: number,
  setting: Setting,
): SetParagraph | undefined {
  const memory = memoryOf(setting.face, style);
  const key = `${width} ${setting.language} ${setting.continued} ${spans ? JSON.stringify(spans) : ""} ${text}`;
  const before = memory.get(key);
  if (before) return before;
  const paragraph = shapedParagraph({ text, spans }, style, setting.setter, setting.language);
  if (!paragraph) return undefined;
  const em = mmOfPt(style.sizePt);
  const hang = paragraph.list ? em * (paragraph.list === "dots" ? 1.1 : 1.7) : 0;
  const firstLine = paragraph.list || setting.continued ? 0 : (style.firstLineMm ?? 0);
  const indent = (line: number) => Math.min(width * 0.8, hang + (line === 0 ? firstLine : 0));
  const widthOf = (line: number) => width - indent(line);
  const spaceMm = (setting.face.shape(" ")[0]?.advance ?? 0.25) * em;
  const runs =
    text === ""
      ? [{ from: 0, to: 0, end: 0 }]
      : style.whole && text.length <= mostWhole
        ? brokenAsWhole(paragraph, widthOf, {
            justified: style.align === "justified",
            hangs: (run) => {
              const { left, right } = hangOf(paragraph, run, style);
              return left + right;
            },
            spaceMm,
          })
        : brokenOneByOne(paragraph, widthOf);
  const made = { paragraph, runs, indent };
  if (!paragraph.waiting) memory.set(key, made);
  if (memory.size > keptParagraphs) memory.delete(memory.keys().next().value!);
  return made;
}

/** The largest letters of a line say how high it is; a line without any is as high as the words' own. */
function heightsOf(p: Paragraph, run: LineRun, style: WordStyle, face: Face): Heights {
  const sizeMm = mmOfPt(style.sizePt);
  const on = p.runs.filter((r) => r.from < run.to && r.to > run.from);
  if (on.length === 0)
    return { pitch: sizeMm * style.leading, ascent: face.ascent * sizeMm, descent: face.descent * sizeMm };
  const plain = on.filter((r) => r.look.riseMm === 0);
  const largest = Math.max(...(plain.length > 0 ? plain.map((r) => r.look.sizeMm) : [sizeMm]));
  return {
    pitch: largest * style.leading,
    ascent: Math.max(...on.map((r) => r.face.ascent * r.look.sizeMm + r.look.riseMm)),
    descent: Math.max(...on.map((r) => r.face.descent * r.look.sizeMm - r.look.riseMm)),
  };
}

export const lettersOf = (l: Heights): number => l.ascent + l.descent;
