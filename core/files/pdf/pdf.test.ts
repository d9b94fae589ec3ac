import { execFileSync } from "node:child_process";
import { mkdtempSync, readFileSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { deflateSync, inflateSync } from "node:zlib";
import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { Blob as HbBlob, Face as HbFace, Font as HbFont } from "harfbuzzjs";
import { FontError } from "../font/sfnt.ts";
import { fontMetrics, subsetFont } from "../font/subset.ts";
import { writeFont } from "./pdf-font.ts";
import { num, PdfError, PdfWriter, refTo, textString } from "./pdf-writer.ts";
import { xmpPacket } from "./xmp.ts";

/** A font of the packages, unpacked from its WOFF by Node's own zlib. */
function font(name = "eb-garamond", style = "400-normal"): Uint8Array {
  const woff = readFileSync(`node_modules/@fontsource/${name}/files/${name}-latin-${style}.woff`);
  const tables = woff.readUInt16BE(12);
  const head = Buffer.alloc(12 + 16 * tables);
  head.writeUInt32BE(woff.readUInt32BE(4), 0);
  head.writeUInt16BE(tables, 4);
  const bodies: Buffer[] = [];
  let at = head.length;
  for (let i = 0; i < tables; i += 1) {
    const e = 44 + 20 * i;
    const [from, packed, size] = [4, 8, 12].map((o) => woff.readUInt32BE(e + o)) as [number, number, number];
    const raw = woff.subarray(from, from + packed);
    const body = packed < size ? inflateSync(raw) : raw;
    woff.copy(head, 12 + 16 * i, e, e + 4);
    head.writeUInt32BE(woff.readUInt32BE(e + 16), 16 + 16 * i);
    head.writeUInt32BE(at, 20 + 16 * i);
    head.writeUInt32BE(size, 24 + 16 * i);
    bodies.push(Buffer.concat([body, Buffer.alloc((4 - (size % 4)) % 4)]));
    at += bodies.at(-1)!.length;
  }
  return new Uint8Array(Buffer.concat([head, ...bodies]));
}

const sfnt = font();
const about = { title: "", at: "2026-05-01T10:20:30Z", id: "00000000-0000-4000-8000-000000000000", pdfX: true };
const id = "0".repeat(32);
const pack = (bytes: Uint8Array) => Uint8Array.from(deflateSync(bytes));

test("a part of a font has the glyphs asked for under their numbers, is small, and is itself a font", () => {
  const whole = fontMetrics(sfnt);
  fc.assert(
    fc.property(fc.array(fc.integer({ min: 0, max: 400 }), { maxLength: 30 }), (glyphs) => {
      const part = subsetFont(sfnt, glyphs);
      const metrics = fontMetrics(part);
      for (const g of glyphs) expect(metrics.advance(g)).toBe(whole.advance(g));
      expect([metrics.upem, metrics.ascent]).toEqual([whole.upem, whole.ascent]);
      expect(whole.capHeight).toBeLessThan(whole.ascent);
      // Taken apart again it is the same: nothing that it needs was left out.
      expect(subsetFont(part, glyphs)).toEqual(part);
      expect(part.length).toBeLessThan(sfnt.length);
    }),
    { numRuns: 8 },
  );
});

test("what a PDF says of itself stays one piece of XML, whatever the title is", () => {
  fc.assert(
    fc.property(fc.string({ unit: "binary" }), (title) => {
      const text = xmpPacket({ ...about, title });
      const inside = /<rdf:li xml:lang="x-default">([^<]*)<\/rdf:li>/.exec(text)![1]!;
      expect(inside.replace(/&(amp|lt|gt);/g, "")).not.toMatch(/[<>&]/);
      expect(text.match(/<\/?rdf:li/g)).toHaveLength(2);
      expect(text.endsWith('<?xpacket end="r"?>')).toBe(true);
    }),
  );
});

test("what is no font is answered with a FontError and nothing else", () => {
  const answered = (bytes: Uint8Array) => {
    try {
      subsetFont(bytes, [5]);
      fontMetrics(bytes);
    } catch (e) {
      expect(e instanceof FontError || e instanceof RangeError).toBe(true);
    }
  };
  fc.assert(fc.property(fc.uint8Array({ maxLength: 300 }), answered));
  fc.assert(
    fc.property(fc.nat(sfnt.length), (cut) => answered(sfnt.subarray(0, cut))),
    { numRuns: 50 },
  );
});

function written(fill: (pdf: PdfWriter) => void): string {
  const parts: Uint8Array[] = [];
  fill(new PdfWriter((b) => void parts.push(b), pack));
  const path = join(mkdtempSync(join(tmpdir(), "tessip-pdf-")), "out.pdf");
  writeFileSync(path, Buffer.concat(parts));
  return path;
}

const page = (pdf: PdfWriter, content: string, resources: string) => {
  const [root, tree] = [pdf.reserve(), pdf.reserve()];
  const stream = pdf.stream("", [new TextEncoder().encode(content)]);
  const one = pdf.object(
    `<< /Type /Page /Parent ${refTo(tree)} /MediaBox [0 0 200 100] /Resources << ${resources} >> /Contents ${refTo(stream)} >>`,
  );
  pdf.object(`<< /Type /Pages /Count 1 /Kids [${refTo(one)}] >>`, tree);
  pdf.object(`<< /Type /Catalog /Pages ${refTo(tree)} >>`, root);
  const info = pdf.object(`<< /Title ${textString("Łódź, 船")} >>`);
  pdf.finish(root, info, id);
};

test("other programs read a file back: sound, its title in any letters, its words as text", () => {
  const path = written((pdf) => {
    const ref = pdf.reserve();
    writeFont(
      pdf,
      { name: "A font", sfnt, glyphs: new Set([36, 37]), textOf: (g) => ({ 36: "A", 37: "ffi" })[g] },
      ref,
    );
    page(pdf, "BT /F1 20 Tf 20 40 Td <00240025> Tj ET", `/Font << /F1 ${refTo(ref)} >>`);
  });
  expect(execFileSync("qpdf", ["--check", path], { encoding: "utf8" })).toContain(
    "No syntax or stream encoding errors",
  );
  expect(execFileSync("pdfinfo", [path], { encoding: "utf8" })).toContain("Łódź, 船");
  expect(execFileSync("pdftotext", [path, "-"], { encoding: "utf8" }).trim()).toBe("Affi");
  expect(execFileSync("pdffonts", [path], { encoding: "utf8" })).toMatch(
    /[A-Z]{6}\+Afont\s+CID TrueType .*yes yes yes/,
  );
});

test("what is stored elsewhere is referred to, and everything behind it stands where the table says", () => {
  class Stored {
    readonly bytes: Uint8Array;
    constructor(text: string) {
      this.bytes = new TextEncoder().encode(text);
    }
    get size(): number {
      return this.bytes.length;
    }
  }
  const parts: (Uint8Array | Stored)[] = [];
  const pdf = new PdfWriter<Stored>((part) => void parts.push(part), pack);
  const stored = new Stored("0 0 1 rg 20 20 30 30 re f\n".repeat(40));
  pdf.stream("/Type /XObject /Subtype /Form /BBox [0 0 200 100]", [new Uint8Array(7).fill(32), stored]);
  page(pdf as PdfWriter, "0 1 0 rg 1 1 5 5 re f", "");
  expect(parts.filter((p) => p === stored)).toHaveLength(1);
  const whole = Buffer.concat(parts.map((p) => (p instanceof Stored ? p.bytes : p)));
  const path = join(mkdtempSync(join(tmpdir(), "tessip-pdf-")), "stored.pdf");
  writeFileSync(path, whole);
  expect(execFileSync("qpdf", ["--check", path], { encoding: "utf8" })).toContain(
    "No syntax or stream encoding errors",
  );
});

test.each([
  ["courier-prime", "700-italic"],
  ["eb-garamond", "400-normal"],
])("the measures of %s in a PDF are its own, in thousandths of an em", (name, style) => {
  const own = font(name, style);
  const whole = new HbFont(new HbFace(new HbBlob(own.slice().buffer as ArrayBuffer), 0));
  const path = written((pdf) => {
    const ref = pdf.reserve();
    writeFont(pdf, { name, sfnt: own, glyphs: new Set([36, 40]), textOf: () => "x" }, ref);
    page(pdf, "BT /F1 20 Tf 20 40 Td <00240028> Tj ET", `/Font << /F1 ${refTo(ref)} >>`);
  });
  const text = execFileSync("qpdf", ["--qdf", "--object-streams=disable", path, "-"], { encoding: "latin1" });
  const list = (key: string) => new RegExp(`/${key} \\[([^\\]]*)\\]`).exec(text)![1]!.trim().split(/\s+/).map(Number);
  const number = (key: string) => Number(new RegExp(`/${key} (-?[\\d.]+)`).exec(text)![1]);
  // The tables as the font's own standard writes them (OpenType 1.9): big-endian, at fixed places.
  const view = new DataView(own.buffer, own.byteOffset);
  const table = (tag: string) => {
    for (let at = 12; ; at += 16)
      if (String.fromCharCode(...own.subarray(at, at + 4)) === tag) return view.getUint32(at + 8);
  };
  const em = view.getUint16(table("head") + 18);
  const thousandths = (at: number) => expect.closeTo((1000 * view.getInt16(at)) / em, 0);
  expect(list("FontBBox")).toEqual([36, 38, 40, 42].map((o) => thousandths(table("head") + o)));
  expect([number("Ascent"), number("Descent"), number("CapHeight")]).toEqual([
    thousandths(table("hhea") + 4),
    thousandths(table("hhea") + 6),
    thousandths(table("OS/2") + 88),
  ]);
  expect(number("ItalicAngle")).toBeCloseTo(view.getInt32(table("post") + 4) / 65_536, 2);
  const widths = [36, 40].map((g) => expect.closeTo((1000 * whole.glyphHAdvance(g)) / em, 0));
  expect(
    text
      .slice(text.search(/\/W\s+\[/))
      .match(/\d+\s+\[\s*[\d.]+\s*\]/g)!
      .map((w) => Number(/\[\s*([\d.]+)/.exec(w)![1])),
  ).toEqual(widths);
});

test("numbers are short and never in powers of ten; what is no number, and what was promised and never written, is a mistake of ours", () => {
  fc.assert(
    fc.property(fc.double({ min: -1e6, max: 1e6, noNaN: true }), (v) => {
      expect(num(v)).toMatch(/^-?\d+(\.\d{1,4})?$/);
      expect(Math.abs(Number(num(v)) - v)).toBeLessThanOrEqual(0.000051);
    }),
  );
  expect(() => num(Number.NaN)).toThrow(PdfError);
  expect(() =>
    written((pdf) => {
      pdf.reserve();
      page(pdf, "", "");
    }),
  ).toThrow("promised");
});

test("the letters of a part of a font are drawn as those of the whole one, by a shaper that is not ours", () => {
  const drawn = (bytes: Uint8Array) => {
    const shaper = new HbFont(new HbFace(new HbBlob(Uint8Array.from(bytes).buffer), 0));
    return (glyph: number) => shaper.glyphToPath(glyph);
  };
  const whole = drawn(sfnt);
  fc.assert(
    fc.property(fc.uniqueArray(fc.integer({ min: 1, max: 400 }), { minLength: 1, maxLength: 20 }), (glyphs) => {
      const part = drawn(subsetFont(sfnt, glyphs));
      for (const glyph of glyphs) expect(part(glyph)).toBe(whole(glyph));
    }),
    { numRuns: 20 },
  );
  // Letters that are made of others as well as those that are not.
  const shapes = Array.from({ length: 400 }, (_, glyph) => whole(glyph));
  expect(shapes.filter((path) => path.length > 40).length).toBeGreaterThan(200);
});
