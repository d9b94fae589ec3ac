import type { Colour } from "#core/colour";
import type { PathData, PathSegment, Point, Rect } from "#core/geometry";
import { mixed } from "../inks.ts";
import type { Paper } from "../schema/paper.ts";
import type { PaperDesign, PaperPart } from "./design.ts";
import { paperDesign } from "./index.ts";

/** One colour of a paper: a shape, as often as there are places where it is drawn. Lengths in the paper's own mm. */
export interface PaperFill {
  readonly colour: Colour;
  readonly path: PathData;
  readonly at: readonly Point[];
}

/** Which repeats are drawn, by their columns and rows. */
interface Span {
  readonly c0: number;
  readonly c1: number;
  readonly r0: number;
  readonly r1: number;
}

type Shape = Pick<PaperFill, "path" | "at">;

/** So many repeats a paper may be drawn in; a smaller one is not told from its mean colour. */
const mostRepeats = 20_000;

/** The colours of a paper over an area of its own mm, from below to above; none of a paper that this version does not know. */
export function paperFills(paper: Paper, area: Rect): readonly PaperFill[] {
  const design = paperDesign(paper.design);
  if (!design) return [];
  const { w, h } = design.repeat;
  // What reaches beyond its repeat comes from those around.
  const span = {
    c0: Math.floor(area.x / w) - 1,
    c1: Math.ceil((area.x + area.w) / w) + 1,
    r0: Math.floor(area.y / h) - 1,
    r1: Math.ceil((area.y + area.h) / h) + 1,
  };
  if ((span.c1 - span.c0) * (span.r1 - span.r0) > mostRepeats) return [];
  const shapes = shapesOf(design, span);
  const [ground] = paper.colours;
  return design.parts().map((part, i) => ({
    colour: mixed(ground!, inkOf(paper, part.ink), part.mix * (paper.strength ?? 1)),
    ...shapes[i]!,
  }));
}

/** Where a paper has fewer inks than its design asks for, they come again. */
const inkOf = ({ colours }: Paper, ink: number): Colour =>
  colours.length < 2 ? colours[0]! : colours[1 + ((ink - 1) % (colours.length - 1))]!;

/** The same objects for the same repeats, by which painters know what they have drawn before. */
const laid = new WeakMap<PaperDesign, Map<string, readonly Shape[]>>();
const mostLaid = 24;

function shapesOf(design: PaperDesign, span: Span): readonly Shape[] {
  const known = laid.get(design) ?? new Map<string, readonly Shape[]>();
  laid.set(design, known);
  const key = `${span.c0} ${span.c1} ${span.r0} ${span.r1}`;
  const before = known.get(key);
  if (before) return before;
  if (known.size >= mostLaid) known.clear();
  const at = placesOf(design, span);
  const shapes = design
    .parts()
    .map(
      (part): Shape => ("path" in part ? { path: part.path, at } : { path: bandsOf(part, design, span), at: [origin] }),
    );
  known.set(key, shapes);
  return shapes;
}

const origin: Point = { x: 0, y: 0 };

function placesOf({ repeat: { w, h } }: PaperDesign, { c0, c1, r0, r1 }: Span): readonly Point[] {
  const at: Point[] = [];
  for (let r = r0; r < r1; r += 1) for (let c = c0; c < c1; c += 1) at.push({ x: c * w, y: r * h });
  return at;
}

/** Bands over all repeats, each as one shape, so that nothing can part them. */
function bandsOf(
  { from, to, runs }: Extract<PaperPart, { readonly runs: string }>,
  { repeat: { w, h } }: PaperDesign,
  { c0, c1, r0, r1 }: Span,
): PathData {
  const [long, high, i0, i1, j0, j1] = runs === "across" ? [w, h, c0, c1, r0, r1] : [h, w, r0, r1, c0, c1];
  const out: PathSegment[] = [];
  const step = long / from.length;
  const go = (how: "M" | "L", along: number, aside: number) =>
    out.push(runs === "across" ? [how, along, aside] : [how, aside, along]);
  const last = i1 * from.length;
  const first = i0 * from.length;
  // A straight band needs its ends alone.
  const by = from.length === 1 ? last - first : 1;
  for (let j = j0; j < j1; j += 1) {
    for (let i = first; i <= last; i += by)
      go(i === first ? "M" : "L", i * step, j * high + from[(i - first) % from.length]!);
    for (let i = last; i >= first; i -= by) go("L", i * step, j * high + to[(i - first) % to.length]!);
    out.push(["Z"]);
  }
  return out;
}
