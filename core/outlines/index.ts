import type { PathSink, Point } from "#core/geometry";
import { arch } from "./arch.ts";
import { corners } from "./corners.ts";
import { ellipse } from "./ellipse.ts";
import { heart } from "./heart.ts";
import type { OutlineAt, OutlineKind } from "./outline.ts";
import { path } from "./path.ts";
import { pennant } from "./pennant.ts";
import { polygon } from "./polygon.ts";
import { rectangle } from "./rectangle.ts";
import { scallops } from "./scallops.ts";
import { star } from "./star.ts";
import { tag } from "./tag.ts";
import { ticket } from "./ticket.ts";
import { torn } from "./torn.ts";

export { type Corner, cornerCuts } from "./corner.ts";
export type { OutlineAt, OutlineKind } from "./outline.ts";

/** A new outline is a file here, a line in this list, what can be set of it in `schema`, and its name in `web/text/en/pages.ts`. */
export const outlineKinds = {
  rectangle,
  corners,
  ellipse,
  arch,
  heart,
  polygon,
  star,
  pennant,
  tag,
  ticket,
  scallops,
  torn,
  path,
};

type Kinds = typeof outlineKinds;
export type OutlineName = keyof Kinds;
export const outlineNames = Object.keys(outlineKinds) as [OutlineName, ...OutlineName[]];

/** Those that are chosen by their name; a path comes from a pattern, a letter or a file. */
export const namedOutlines = outlineNames.filter((n) => n !== "path");

/** An outline with what is set of it. */
export type Outline = { readonly [K in OutlineName]: { readonly kind: K } & Kinds[K]["first"] }[OutlineName];

/** A new outline of a kind. */
export const newOutline = (kind: OutlineName): Outline => ({ kind, ...outlineKinds[kind].first }) as Outline;

/** What an outline does, with its settings. */
export interface OutlineDeeds {
  trace(at: OutlineAt, to: PathSink): void;
  inset(at: OutlineAt, byMm: number, to: PathSink): void;
  holds(at: OutlineAt, p: Point): boolean;
  fillsFrame(cornerMm: number): boolean;
  readonly hasCorners: boolean;
}

export function outlineOf(outline: Outline): OutlineDeeds {
  // What is stored of a kind has been checked to be what that kind can be told.
  const kind = outlineKinds[outline.kind] as unknown as OutlineKind<Outline>;
  const settings = outline;
  return {
    trace: (at, to) => kind.trace(at, to, settings),
    inset: (at, byMm, to) => kind.inset(at, byMm, to, settings),
    holds: (at, p) => kind.holds(at, p, settings),
    fillsFrame: kind.fillsFrame,
    hasCorners: kind.hasCorners,
  };
}
