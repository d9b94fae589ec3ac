import { photosOfFile } from "#core/document";
import { num, PdfWriter, type Ref, refTo, rgbProfile, textString, writeFont, xmpPacket } from "#core/files";
import { scaling } from "#core/geometry";
import { bleedBox, trimBox } from "#core/lab";
import { cutMarks, marksMm, type PdfNames, pdfContent } from "#core/painters";
import { type DrawStep, scene } from "#core/scene";
import { type FontFile, fontFilesOf } from "../words/font-files.ts";
import type { PdfOrder, PrintedFile } from "../workers/jobs.ts";
import type { Doing } from "../workers/serve.ts";
import { openSink } from "./kept-file.ts";
import { PdfPhotos } from "./pdf-photos.ts";
import { longSidePx, printFacts } from "./print-bands.ts";
import { PrintError } from "./print-error.ts";

const pt = 72 / 25.4;
const smallPpi = 110;

interface UsedFont {
  readonly name: string;
  readonly ref: Ref;
  readonly face: string;
  readonly file: FontFile;
  readonly glyphs: Set<number>;
  /** Of glyphs that stand for several letters. */
  readonly letters: Map<number, string>;
}

/** All files as pages of one PDF, written from front to back with one photo in memory at a time. */
export async function printPdf(order: PdfOrder, doing: Doing): Promise<PrintedFile> {
  const sink = await openSink(order.keepAs, "application/pdf");
  let written = 0;
  let made: Blob;
  try {
    const pdf = new PdfWriter((bytes) => {
      sink.write(bytes);
      written += bytes.length;
    });
    await writePages(pdf, order, doing);
    made = await sink.close();
  } catch (e) {
    await sink.drop().catch(() => {});
    throw e;
  }
  doing.signal.throwIfAborted();
  await readBackPdf(made, written);
  doing.progress(1);
  return { file: made, widthPx: 0, heightPx: 0, ppi: order.files[0]?.format.ppi ?? 0 };
}

async function writePages(pdf: PdfWriter, order: PdfOrder, doing: Doing): Promise<void> {
  const byId = new Map(order.photos.map((p) => [p.photo.id, p]));
  const inOrder = new Set(order.files.flatMap(photosOfFile));
  const photos = new PdfPhotos(
    pdf,
    order.small,
    [...inOrder].flatMap((id) => byId.get(id) ?? []),
  );
  const fonts = new Map<string, UsedFont>();
  const alphas = new Map<number, Ref>();
  const root = pdf.reserve();
  const tree = pdf.reserve();
  const pages: Ref[] = [];
  for (const [i, file] of order.files.entries()) {
    const { format } = file;
    const facts = await printFacts({ file, photos: order.photos });
    const ppi = order.small ? smallPpi : format.ppi;
    const parts = file.parts.map((part) => ({ ...part, steps: scene(part.page, part.format, facts).steps }));
    for (const step of parts.flatMap((p) => p.steps)) {
      doing.signal.throwIfAborted();
      if (step.draw === "photo") {
        const from = byId.get(step.photoId);
        if (from) await photos.add(from, longSidePx(step.matrix, scaling(ppi / 25.4, ppi / 25.4)));
      } else if (step.draw === "words") await noteLetters(pdf, step, fonts);
    }
    const names = namesFor(pdf, photos, fonts, alphas);
    const box = bleedBox(format);
    const trim = trimBox(format);
    const around = order.marks ? marksMm : 0;
    const toPoints = { a: pt, b: 0, c: 0, d: -pt, e: pt * (around - box.x), f: pt * (around + box.y + box.h) };
    const marks = order.marks ? cutMarks(trim, format.bleedMm) : [];
    const content = pdf.stream("", [utf8(pdfContent({ parts, toPoints, marks }, names.names))]);
    const inPoints = (r: typeof box) =>
      `[${[r.x, r.y + r.h, r.x + r.w, r.y].map((v, k) => num(k % 2 === 0 ? pt * v + toPoints.e : toPoints.f - pt * v)).join(" ")}]`;
    const media = `[0 0 ${num(pt * (box.w + 2 * around))} ${num(pt * (box.h + 2 * around))}]`;
    pages.push(
      pdf.object(
        [
          `<< /Type /Page /Parent ${refTo(tree)} /MediaBox ${media}`,
          `/BleedBox ${inPoints(box)} /TrimBox ${inPoints(trim)}`,
          `/Resources << ${names.resources()} >> /Contents ${refTo(content)} >>`,
        ].join(" "),
      ),
    );
    doing.progress((i + 1) / (order.files.length + 1));
  }
  for (const { ref, face, file, glyphs, letters } of fonts.values()) {
    const textOf = (g: number) => letters.get(g) ?? file.texts.get(g);
    writeFont(pdf, { name: face, sfnt: file.sfnt, glyphs, textOf }, ref);
  }
  pdf.object(`<< /Type /Pages /Count ${pages.length} /Kids [${pages.map(refTo).join(" ")}] >>`, tree);
  const profile = pdf.stream("/N 3", [Uint8Array.from(rgbProfile("srgb"))]);
  const intent = pdf.object(
    `<< /Type /OutputIntent /S /GTS_PDFX /OutputConditionIdentifier (sRGB IEC61966-2.1) /RegistryName (http://www.color.org) /Info (sRGB IEC61966-2.1) /DestOutputProfile ${refTo(profile)} >>`,
  );
  const about = pdf.stream("/Type /Metadata /Subtype /XML", [utf8(xmpPacket(order.title))]);
  pdf.object(
    `<< /Type /Catalog /Pages ${refTo(tree)} /OutputIntents [${refTo(intent)}] /Metadata ${refTo(about)} >>`,
    root,
  );
  const info = pdf.object(`<< /Title ${textString(order.title)} /Producer (Tessip) /Trapped /False >>`);
  pdf.finish(root, info);
}

/** The fonts of some words, and which of their letters. */
async function noteLetters(pdf: PdfWriter, step: Extract<DrawStep, { draw: "words" }>, fonts: Map<string, UsedFont>) {
  const files = await fontFilesOf(step.face);
  for (const g of step.glyphs) {
    const key = `${step.face} ${g.file}`;
    let use = fonts.get(key);
    if (!use) {
      const file = files[g.file];
      if (!file) throw new PrintError("fontMissing", step.face);
      use = {
        name: `F${fonts.size + 1}`,
        ref: pdf.reserve(),
        face: step.face,
        file,
        glyphs: new Set(),
        letters: new Map(),
      };
      fonts.set(key, use);
    }
    use.glyphs.add(g.id);
    if (g.letters) use.letters.set(g.id, g.letters);
  }
}

/** Names for what a page draws, and what of it it drew. */
function namesFor(
  pdf: PdfWriter,
  photos: PdfPhotos,
  fonts: ReadonlyMap<string, UsedFont>,
  alphas: Map<number, Ref>,
): { readonly names: PdfNames; resources(): string } {
  const used = { XObject: new Map<string, Ref>(), Font: new Map<string, Ref>(), ExtGState: new Map<string, Ref>() };
  const names: PdfNames = {
    photo: (id) => {
      const photo = photos.get(id);
      if (!photo) return undefined;
      const name = `P${photo.ref}`;
      used.XObject.set(name, photo.ref);
      return { name, toUnit: photo.toUnit };
    },
    glyph: (face, file) => {
      const font = fonts.get(`${face} ${file}`);
      if (!font) return undefined;
      used.Font.set(font.name, font.ref);
      return { font: font.name };
    },
    alpha: (value) => {
      const ref = alphas.get(value) ?? pdf.object(`<< /Type /ExtGState /ca ${num(value)} >>`);
      alphas.set(value, ref);
      used.ExtGState.set(`A${ref}`, ref);
      return `A${ref}`;
    },
  };
  const resources = () =>
    Object.entries(used)
      .filter(([, refs]) => refs.size > 0)
      .map(([kind, refs]) => `/${kind} << ${[...refs].map(([name, ref]) => `/${name} ${refTo(ref)}`).join(" ")} >>`)
      .join(" ");
  return { names, resources };
}

const utf8 = (text: string): Uint8Array<ArrayBuffer> => new TextEncoder().encode(text);

/** Whether all of it arrived, and its table stands where it says. */
async function readBackPdf(file: Blob, written: number): Promise<void> {
  const tail = await file.slice(-200).text();
  const from = Number(/startxref\n(\d+)\n%%EOF\n$/.exec(tail)?.[1] ?? Number.NaN);
  const table = Number.isNaN(from) ? "" : await file.slice(from, from + 5).text();
  if (file.size !== written || table !== "xref\n")
    throw new PrintError("fileWrong", `${file.size} of ${written} bytes`);
}
