import type { PageFormat } from "#core/lab";
import { mmPerInch } from "#core/units";

/** One page that was made elsewhere, as a picture. */
export interface FinishedPage {
  readonly file: File;
  /** As large as the page says it is; a picture file seldom says. */
  readonly sizeMm: { readonly w: number; readonly h: number } | undefined;
}

/** A page of many pixels is drawn smaller rather than not at all. */
const mostPixels = 60_000_000;

/**
 * The pages in a file: a picture is one, a PDF has as many as it has pages, drawn at the density that the lab wants. Nothing in
 * a PDF is run. Rejects where the file cannot be read.
 */
export async function* finishedPages(file: File, format: PageFormat): AsyncGenerator<FinishedPage> {
  if (!(await isPdf(file))) {
    yield { file, sizeMm: undefined };
    return;
  }
  const [{ getDocument, GlobalWorkerOptions }, { default: workerSrc }] = await Promise.all([
    import("pdfjs-dist/build/pdf.min.mjs"),
    import("pdfjs-dist/build/pdf.worker.min.mjs?url"),
  ]);
  GlobalWorkerOptions.workerSrc = workerSrc;
  const loading = getDocument({ data: new Uint8Array(await file.arrayBuffer()), isEvalSupported: false });
  try {
    const pdf = await loading.promise;
    for (let number = 1; number <= pdf.numPages; number += 1) {
      const page = await pdf.getPage(number);
      const points = page.getViewport({ scale: 1 });
      const wanted = format.ppi / 72;
      const scale = Math.min(wanted, Math.sqrt(mostPixels / (points.width * points.height)));
      const viewport = page.getViewport({ scale });
      const canvas = document.createElement("canvas");
      canvas.width = Math.round(viewport.width);
      canvas.height = Math.round(viewport.height);
      await page.render({ canvas, viewport, background: "#ffffff" }).promise;
      const blob = await new Promise<Blob | null>((done) => canvas.toBlob(done, "image/png"));
      canvas.width = 0;
      if (!blob) throw new Error(`page ${number} could not be drawn`);
      const mm = (pt: number) => (pt / 72) * mmPerInch;
      const name = pdf.numPages > 1 ? `${file.name} ${number}.png` : `${file.name}.png`;
      yield {
        file: new File([blob], name, { type: "image/png" }),
        sizeMm: { w: mm(points.width), h: mm(points.height) },
      };
    }
  } finally {
    await loading.destroy();
  }
}

async function isPdf(file: Blob): Promise<boolean> {
  const head = new Uint8Array(await file.slice(0, 1024).arrayBuffer());
  return String.fromCharCode(...head).includes("%PDF-");
}
