import { inflateSync } from "node:zlib";
import { chain, type Matrix } from "#core/geometry";

/** In bytes as packed; what draws a page is far smaller. */
export const mostContent = 4_000_000;
const mostInflated = 40_000_000;
const unmoved: Matrix = { a: 1, b: 0, c: 0, d: 1, e: 0, f: 0 };

const head = (object: string) => object.slice(0, object.indexOf("stream"));

/** Whether a PDF's object, as its text, is a packed stream that may draw letters. */
export const isContent = (object: string): boolean => {
  const entries = head(object.slice(0, 4000));
  return /\/FlateDecode/.test(entries) && !/\/(Image|Length1|XRef|ObjStm|DeviceN)\b/.test(entries);
};

/** Sizes of the letters that a content stream draws, in points; none where it is broken (ISO 32000-1, 8.4 and 9.4). */
export function typeSizes(object: string): readonly number[] {
  const start = /stream\r?\n/.exec(object);
  const end = object.lastIndexOf("endstream");
  if (!start || end < 0) return [];
  const packed = Buffer.from(object.slice(start.index + start[0].length, end), "latin1");
  try {
    return sizesIn(inflateSync(packed, { maxOutputLength: mostInflated, finishFlush: 2 }).toString("latin1"));
  } catch {
    return [];
  }
}

const operands = /[-+.\d]+|\[|\]|\([^)]*\)|<[^>]*>|\/[^\s/<>[\]()]+|[A-Za-z'"*]+\d?/g;

function sizesIn(content: string): readonly number[] {
  const sizes = new Set<number>();
  const saved: Matrix[] = [];
  let page = unmoved;
  let text = unmoved;
  let font = 0;
  let given: number[] = [];
  const matrix = (): Matrix => {
    const [a = 1, b = 0, c = 0, d = 1, e = 0, f = 0] = given.slice(-6);
    return { a, b, c, d, e, f };
  };
  for (const [word] of content.matchAll(operands)) {
    if (/^[-+.\d]/.test(word)) {
      given.push(Number(word));
      continue;
    }
    if (/^[[\]/(<]/.test(word)) continue;
    if (word === "q") saved.push(page);
    else if (word === "Q") page = saved.pop() ?? unmoved;
    else if (word === "cm") page = chain(page, matrix());
    else if (word === "BT") text = unmoved;
    else if (word === "Tf") font = given.at(-1) ?? 0;
    else if (word === "Tm") text = matrix();
    else if (/^(Tj|TJ|'|")$/.test(word)) {
      const m = chain(page, text);
      sizes.add(font * Math.hypot(m.c, m.d));
    }
    given = [];
  }
  return [...sizes];
}
