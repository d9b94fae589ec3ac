import { rgbProfile, webpWith } from "#core/files";
import { PrintError } from "../print-error.ts";
import type { PictureWriter } from "./format.ts";
import { BlockMeans, block, bytesOf, meansOf, mostApart, wrong } from "./looks.ts";

/** What the format can say (RFC 9649, 2.7.1.1). */
const mostSidePx = 16_383;

/** Coded by the browser from a canvas that holds all of it, with the density and the profile put in afterwards. */
export const webp: PictureWriter = {
  mime: "image/webp",
  mostSidePx,
  encoder({ colour, quality }, { widthPx, heightPx, ppi }) {
    const colorSpace = colour === "displayP3" ? "display-p3" : "srgb";
    const canvas = new OffscreenCanvas(widthPx, heightPx);
    const ctx = canvas.getContext("2d", { alpha: false, colorSpace, willReadFrequently: true });
    if (!ctx) throw new PrintError("tooLargeHere", `${widthPx} × ${heightPx}`);
    let row = 0;
    return {
      add: async (rows) => {
        const height = rows.length / (4 * widthPx);
        ctx.putImageData(
          new ImageData(rows as Uint8ClampedArray<ArrayBuffer>, widthPx, height, { colorSpace }),
          0,
          row,
        );
        row += height;
        return [];
      },
      finish: async () => {
        const coded = await canvas.convertToBlob({ type: "image/webp", quality });
        // A browser that cannot write this kind hands out another.
        if (coded.type !== "image/webp") throw new PrintError("tooLargeHere", coded.type);
        const bytes = new Uint8Array(await coded.arrayBuffer());
        return [webpWith(bytes, { widthPx, heightPx, ppi, profile: rgbProfile(colour) })];
      },
    };
  },
  judge(options, size) {
    const look = new BlockMeans(size.widthPx, size.heightPx, block);
    return {
      look,
      async readBack(file) {
        const head = await bytesOf(file, 0, 12);
        const says = new DataView(head.buffer).getUint32(4, true);
        if (says + 8 !== file.size) throw wrong(`${says} of ${file.size} bytes`);
        const seen = await meansOf(file, options, size);
        if (seen && look.apart(seen) > mostApart) throw wrong(`means are ${look.apart(seen).toFixed(1)} apart`);
      },
    };
  },
};
