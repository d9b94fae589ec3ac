/** OpenRaster 0.0.6: what lies over what, as the archive's stack.xml says it. */
export interface OraLayer {
  readonly name: string;
  /** In the archive. */
  readonly path: string;
  readonly x: number;
  readonly y: number;
}

const escaped = (text: string): string =>
  text
    // biome-ignore lint/suspicious/noControlCharactersInRegex: XML 1.0 does not have them
    .replace(/[\u0000-\u001f\ufffe\uffff]/g, " ")
    .replace(/[&<>"']/g, (c) => `&#${c.charCodeAt(0)};`);

export const oraType = "image/openraster";

/** Layers given from back to front; the file lists them the other way round. */
export function oraStack(
  size: { readonly widthPx: number; readonly heightPx: number; readonly ppi: number },
  layers: readonly OraLayer[],
): string {
  const lines = [...layers]
    .reverse()
    .map(
      (l) =>
        `<layer name="${escaped(l.name)}" src="${escaped(l.path)}" x="${l.x}" y="${l.y}" opacity="1.0" visibility="visible" composite-op="svg:src-over"/>`,
    );
  const density = Math.round(size.ppi);
  return `<?xml version="1.0" encoding="UTF-8"?>\n<image version="0.0.6" w="${size.widthPx}" h="${size.heightPx}" xres="${density}" yres="${density}"><stack>\n${lines.join("\n")}\n</stack></image>\n`;
}
