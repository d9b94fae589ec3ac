import { zlibSync } from "fflate";
import { type PrintFile, photosOfFile } from "#core/document";
import {
  fontTables,
  num,
  outputProfile,
  PdfWriter,
  pdfDate,
  type Ref,
  refTo,
  textString,
  writeFont,
  xmpPacket,
} from "#core/files";
import { chain, identity, scaling } from "#core/geometry";
import { bleedBox, printPixels, trimBox } from "#core/lab";
import { marksMm, type PdfNames, pdfContent, printersMarks, slugBox } from "#core/painters";
import { type DrawStep, scene, tileSteps } from "#core/scene";
import { wordsTile } from "#core/sheet-files";
import { faceKey } from "#core/words";
import { cffPart } from "../words/cff-part.ts";
import { type FontFile, fontFilesOf } from "../words/font-files.ts";
import type { PdfOrder, PrintedFile } from "../workers/jobs.ts";
import type { Doing } from "../workers/serve.ts";
import { PdfMasks } from "./pdf-masks.ts";
import { PdfPhotos, pictureForPdf } from "./pdf-photos.ts";
import { longSidePx, paintBands, printFacts, printFonts } from "./print-bands.ts";
import { PrintError } from "./print-error.ts";
import { openSink } from "./saved-file.ts";

const pt = 72 / 25.4;
const smallPpi = 110;

interface UsedFont {
  readonly name: string;
  readonly ref: Ref;
  readonly face: string;
  readonly file: FontFile;
  readonly glyphs: Set<number>;
  /** Of glyphs that stand for several letters, or for another form of one. */
  readonly letters: Map<number, string>;
}

/** All files as pages of one PDF, written from front to back with one photo in memory at a time. */
export async function printPdf(order: PdfOrder, doing: Doing): Promise<PrintedFile> {
  const sink = await openSink(order.keepAs, "application/pdf");
  let written = 0;
  let made: Blob;
  try {
    const pdf = new PdfWriter<Blob>(
      (bytes) => {
        if (bytes instanceof Blob) sink.place(bytes);
        else sink.write(bytes);
        written += bytes instanceof Blob ? bytes.size : bytes.length;
      },
      (bytes) => zlibSync(bytes) as Uint8Array<ArrayBuffer>,
    );
    await new PdfPages(pdf, order, doing).write();
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

type Part = PrintFile["parts"][number] & { readonly steps: readonly DrawStep[] };

/** One PDF while it is being written. */
class PdfPages {
  readonly #pdf: PdfWriter;
  readonly #order: PdfOrder;
  readonly #doing: Doing;
  readonly #byId: ReadonlyMap<string, PdfOrder["photos"][number]>;
  readonly #photos: PdfPhotos;
  readonly #masks: PdfMasks;
  readonly #fonts = new Map<string, UsedFont>();
  readonly #alphas = new Map<number, Ref>();
  readonly #forms = new Map<string, Ref>();
  readonly #tree: Ref;

  constructor(pdf: PdfWriter, order: PdfOrder, doing: Doing) {
    this.#pdf = pdf;
    this.#order = order;
    this.#doing = doing;
    this.#byId = new Map(order.photos.map((p) => [p.photo.id, p]));
    this.#photos = new PdfPhotos(pdf, order);
    this.#masks = new PdfMasks(pdf);
    this.#tree = pdf.reserve();
  }

  async write(): Promise<void> {
    const { files } = this.#order;
    const pages: Ref[] = [];
    const drawn: Part[][] = [];
    for (const file of files) {
      const facts = await printFacts({ file, photos: this.#order.photos, ownFonts: this.#order.ownFonts });
      const parts = file.parts.map((part) => ({ ...part, steps: scene(part.page, facts).steps }));
      this.#noteSizes(file, parts);
      drawn.push(parts);
    }
    for (const [i, file] of files.entries()) {
      pages.push(await this.#page(file, drawn[i]!, i));
      this.#doing.progress((i + 1) / (files.length + 1));
    }
    for (const { ref, face, file, glyphs, letters } of this.#fonts.values()) {
      const { sfnt } = file;
      const textOf = (g: number) => letters.get(g) ?? file.texts.get(g);
      const whole = file.embedding === "whole";
      const outlines = fontTables(sfnt).get("CFF ");
      const cff = outlines && (whole ? Uint8Array.from(outlines) : await cffPart(sfnt, glyphs));
      writeFont(this.#pdf, { name: face, sfnt, cff, whole, glyphs, textOf }, ref);
    }
    this.#finish(pages);
  }

  /** A photo is kept once, for the largest of its places. */
  #noteSizes({ format }: PrintFile, parts: readonly Part[]): void {
    const perMm = (this.#order.small ? smallPpi : format.ppi) / 25.4;
    for (const { steps, place } of parts)
      for (const step of steps) {
        const from = step.draw === "photo" ? this.#byId.get(step.photoId) : undefined;
        if (step.draw === "photo" && from)
          this.#photos.note(from, step, longSidePx(chain(place, step.matrix), scaling(perMm, perMm)));
      }
  }

  async #page(file: PrintFile, parts: readonly Part[], index: number): Promise<Ref> {
    const { format } = file;
    const { marks, blackAlone } = this.#order;
    const trim = trimBox(format);
    const slug = marks ? await this.#slug(file, index) : [];
    const flat = this.#order.flattened ? await this.#flattened(file, parts) : undefined;
    const printed = flat?.parts ?? parts;
    for (const step of [...printed.flatMap((p) => p.steps), ...slug]) {
      this.#doing.signal.throwIfAborted();
      if (step.draw === "photo") {
        const from = this.#byId.get(step.photoId);
        if (from) await this.#photos.add(from, step);
      } else if (step.draw === "words") await noteLetters(this.#pdf, step, this.#fonts);
    }
    const box = bleedBox(format);
    const names = namesFor(this.#pdf, {
      photos: this.#photos,
      masks: this.#masks,
      fonts: this.#fonts,
      alphas: this.#alphas,
      forms: this.#forms,
    });
    const around = marks ? marksMm : 0;
    const toPoints = { a: pt, b: 0, c: 0, d: -pt, e: pt * (around - box.x), f: pt * (around + box.y + box.h) };
    const own = { x: box.x - around, y: box.y - around, w: box.w + 2 * around, h: box.h + 2 * around };
    const content = pdfContent(
      {
        parts: slug.length > 0 ? [...printed, { steps: slug, place: identity, clip: own }] : printed,
        toPoints,
        blackAlone,
        under: flat ? [{ name: names.image(flat.picture), box }] : [],
        marks: marks
          ? printersMarks(trim, format.bleedMm, {
              foldsMm: (format.folds ?? []).map((f) => f.atMm).filter((at) => at > 0 && at < trim.w),
              spine: format.spine,
            })
          : undefined,
      },
      names.names,
    );
    const stream = this.#pdf.packed("", utf8(content));
    const inPoints = (r: typeof box) =>
      `[${[r.x, r.y + r.h, r.x + r.w, r.y].map((v, k) => num(k % 2 === 0 ? pt * v + toPoints.e : toPoints.f - pt * v)).join(" ")}]`;
    const media = `[0 0 ${num(pt * own.w)} ${num(pt * own.h)}]`;
    return this.#pdf.object(
      [
        `<< /Type /Page /Parent ${refTo(this.#tree)} /MediaBox ${media}`,
        `/BleedBox ${inPoints(box)} /TrimBox ${inPoints(trim)}`,
        `/Resources << ${names.resources()} >> /Contents ${refTo(stream)} >>`,
      ].join(" "),
    );
  }

  /** A line beside the page that says which one it is. */
  async #slug({ format }: PrintFile, index: number): Promise<readonly DrawStep[]> {
    const text = this.#order.slugs[index] ?? "";
    const tile = wordsTile("slug", slugBox(trimBox(format), format.bleedMm), text, { sizePt: 6 });
    if (tile.filling.kind === "words") await printFonts.load(faceKey(tile.filling.style));
    return tileSteps(tile, format, { photo: () => undefined, setter: printFonts });
  }

  /**
   * Where something shows through: all that lies up to there as one picture, and what is left to be drawn over it. Undefined where
   * nothing does.
   */
  async #flattened(file: PrintFile, parts: readonly Part[]): Promise<{ picture: Ref; parts: Part[] } | undefined> {
    const clear = new Set<string>();
    for (const id of photosOfFile(file)) {
      const from = this.#byId.get(id);
      if (from && (await this.#photos.isClear(from))) clear.add(id);
    }
    const showsThrough = (step: DrawStep) =>
      step.draw === "end" ||
      step.draw === "shade" ||
      (step.draw === "fill" && (step.alpha ?? 1) < 1) ||
      (step.draw === "photo" && clear.has(step.photoId));
    const upTo = parts.map(({ steps }) => steps.findLastIndex(showsThrough) + 1);
    if (upTo.every((n) => n === 0)) return undefined;
    // A page that faces it is in the picture with all that it has, so that nothing of it is covered.
    const until = parts.map(({ steps }, i) =>
      upTo[i] === 0 ? steps.findLastIndex((s) => s.draw !== "words") + 1 : upTo[i]!,
    );
    const size = printPixels(file.format);
    const encoder = pictureForPdf(size, this.#order.lossless);
    const options = { kind: "png", colour: "srgb", quality: 1, chroma: "444", progressive: false } as const;
    const order = { file, options, photos: this.#order.photos, ownFonts: this.#order.ownFonts };
    const quiet: Doing = { signal: this.#doing.signal, progress: () => {} };
    await paintBands(order, quiet, async (rows) => encoder.add(rows as Uint8ClampedArray), { upTo: until });
    const picture = encoder.put(this.#pdf, this.#photos.srgb());
    return { picture, parts: parts.map((part, i) => ({ ...part, steps: part.steps.slice(until[i]) })) };
  }

  #finish(pages: readonly Ref[]): void {
    const pdf = this.#pdf;
    const { title, small } = this.#order;
    pdf.object(`<< /Type /Pages /Count ${pages.length} /Kids [${pages.map(refTo).join(" ")}] >>`, this.#tree);
    const about = {
      title,
      at: new Date().toISOString().slice(0, 19).concat("Z"),
      id: crypto.randomUUID(),
      pdfX: !small,
    };
    const metadata = pdf.stream("/Type /Metadata /Subtype /XML", [utf8(xmpPacket(about))]);
    // What is for the screen alone does not say that it is for print.
    const intents = small ? "" : ` /OutputIntents [${refTo(this.#outputIntent())}]`;
    const root = pdf.object(`<< /Type /Catalog /Pages ${refTo(this.#tree)}${intents} /Metadata ${refTo(metadata)} >>`);
    const date = pdfDate(about.at);
    const version = small ? "" : " /GTS_PDFXVersion (PDF/X-4)";
    const info = pdf.object(
      `<< /Title ${textString(title)} /Creator (Tessip) /Producer (Tessip) /CreationDate (${date}) /ModDate (${date}) /Trapped /False${version} >>`,
    );
    pdf.finish(root, info, about.id.replaceAll("-", ""));
  }

  #outputIntent(): Ref {
    const profile = this.#pdf.packed("/N 3", Uint8Array.from(outputProfile()));
    const name = "(sRGB IEC61966-2.1)";
    return this.#pdf.object(
      `<< /Type /OutputIntent /S /GTS_PDFX /OutputConditionIdentifier ${name} /RegistryName (http://www.color.org) /Info ${name} /DestOutputProfile ${refTo(profile)} >>`,
    );
  }
}

/** The fonts of some words, and which of their letters. */
async function noteLetters(pdf: PdfWriter, step: Extract<DrawStep, { draw: "words" }>, fonts: Map<string, UsedFont>) {
  const files = await fontFilesOf(printFonts, step.face);
  for (const g of step.glyphs) {
    const key = `${step.face} ${g.file}`;
    let use = fonts.get(key);
    if (!use) {
      const file = files[g.file];
      // Its letters are drawn as shapes.
      if (file?.embedding === "never") continue;
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

/** What pages of a file share. */
interface Kept {
  readonly photos: PdfPhotos;
  readonly masks: PdfMasks;
  readonly fonts: ReadonlyMap<string, UsedFont>;
  readonly alphas: Map<number, Ref>;
  /** Shapes that are drawn again and again, by what draws them. */
  readonly forms: Map<string, Ref>;
}

/** Names for what a page draws, and what of it it drew. */
function namesFor(
  pdf: PdfWriter,
  { photos, masks, fonts, alphas, forms }: Kept,
): { readonly names: PdfNames; image(ref: Ref): string; resources(): string } {
  const used = { XObject: new Map<string, Ref>(), Font: new Map<string, Ref>(), ExtGState: new Map<string, Ref>() };
  const names: PdfNames = {
    photo: (step) => {
      const photo = photos.get(step);
      if (!photo) return undefined;
      return { name: image(photo.ref), toUnit: photo.toUnit };
    },
    glyph: (face, file) => {
      const font = fonts.get(`${face} ${file}`);
      if (!font) return undefined;
      used.Font.set(font.name, font.ref);
      return { font: font.name };
    },
    letter: (face, file, id) => (fonts.has(`${face} ${file}`) ? undefined : printFonts.face(face)?.outline(file, id)),
    alpha: (value) => {
      const ref = alphas.get(value) ?? pdf.object(`<< /Type /ExtGState /ca ${num(value)} >>`);
      alphas.set(value, ref);
      return state(ref);
    },
    shade: (step) => image(masks.shade(step, photos.srgb())),
    soft: (soft, opacity) => state(masks.state(soft, opacity)),
    form: (content) => {
      const entries = "/Type /XObject /Subtype /Form /BBox [-20000 -20000 20000 20000]";
      const ref = forms.get(content) ?? pdf.packed(entries, utf8(content));
      forms.set(content, ref);
      return image(ref);
    },
    group: (content) => {
      const whole = "/BBox [-20000 -20000 20000 20000] /Group << /Type /Group /S /Transparency /I true >>";
      // What it draws was named just now, and so stands among the page's.
      const entries = `/Type /XObject /Subtype /Form ${whole} /Resources << ${resources()} >>`;
      return image(pdf.packed(entries, utf8(content)));
    },
  };
  const image = (ref: Ref) => {
    used.XObject.set(`P${ref}`, ref);
    return `P${ref}`;
  };
  const state = (ref: Ref) => {
    used.ExtGState.set(`A${ref}`, ref);
    return `A${ref}`;
  };
  const resources = () =>
    Object.entries(used)
      .filter(([, refs]) => refs.size > 0)
      .map(([kind, refs]) => `/${kind} << ${[...refs].map(([name, ref]) => `/${name} ${refTo(ref)}`).join(" ")} >>`)
      .join(" ");
  return { names, image, resources };
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
