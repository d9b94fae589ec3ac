/** What a drawing would cost to show, counted before it is. */

export const mostSvgElements = 60_000;
export const mostSvgSegments = 150_000;

/** One element as far as counting needs it. */
export interface SvgNode {
  readonly id: string | undefined;
  /** Of a `use`: the id that it repeats. */
  readonly uses: string | undefined;
  /** Of a path or a polygon: how many numbers draw it. */
  readonly numbers: number;
  readonly children: readonly SvgNode[];
}

export interface SvgWeight {
  readonly elements: number;
  readonly segments: number;
}

/**
 * How many elements and segments there are once every `use` stands for what it repeats (SVG 2, 5.6). Infinity for one that
 * repeats itself. Counting takes one look at each element, however often it is repeated.
 */
export function svgWeight(root: SvgNode): SvgWeight {
  const byId = new Map<string, SvgNode>();
  const all: SvgNode[] = [];
  for (const stack = [root]; stack.length > 0; ) {
    const node = stack.pop()!;
    all.push(node);
    if (node.id !== undefined && !byId.has(node.id)) byId.set(node.id, node);
    stack.push(...node.children);
  }
  const weights = new Map<SvgNode, SvgWeight | "counting">();
  const endless: SvgWeight = { elements: Number.POSITIVE_INFINITY, segments: Number.POSITIVE_INFINITY };
  // Without recursion: a drawing may be nested deeper than calls can be.
  for (const start of all) {
    for (const stack = [start]; stack.length > 0; ) {
      const node = stack.at(-1)!;
      const known = weights.get(node);
      if (known && known !== "counting") {
        stack.pop();
        continue;
      }
      const target = node.uses === undefined ? undefined : byId.get(node.uses);
      const parts = target ? [...node.children, target] : node.children;
      const open = parts.filter((p) => !weights.has(p));
      if (known !== "counting" && open.length > 0) {
        weights.set(node, "counting");
        stack.push(...open);
        continue;
      }
      let [elements, segments] = [1, Math.ceil(node.numbers / 2)];
      for (const part of parts) {
        const weight = weights.get(part);
        // One that is still being counted lies around this one.
        const { elements: e, segments: s } = weight === undefined || weight === "counting" ? endless : weight;
        elements += e;
        segments += s;
      }
      weights.set(node, { elements, segments });
      stack.pop();
    }
  }
  const weight = weights.get(root);
  return weight && weight !== "counting" ? weight : endless;
}
