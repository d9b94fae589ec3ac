import { ellipse } from "./ellipse.ts";
import type { OutlineKind } from "./outline.ts";
import { rectangle } from "./rectangle.ts";

export type { OutlineAt, OutlineKind } from "./outline.ts";

/** A new outline is a file here, a line in this list, what can be set of it in `schema`, and its name in `web/text/en/pages.ts`. */
export const outlineKinds = { rectangle, ellipse } as const satisfies Readonly<Record<string, OutlineKind>>;

export type OutlineName = keyof typeof outlineKinds;
export const outlineNames = Object.keys(outlineKinds) as [OutlineName, ...OutlineName[]];

export const outlineOf = ({ kind }: { readonly kind: OutlineName }): OutlineKind => outlineKinds[kind];
