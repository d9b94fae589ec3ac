import {
  freshRows,
  JpegEncoder,
  type JpegOptions,
  jpegEnd,
  jpegHead,
  jpegPart,
  mostJpegSidePx,
  readJpegFacts,
  rgbProfile,
} from "#core/files";
import { helper } from "../helper.ts";
import type { PictureWriter, RowsEncoder } from "./format.ts";
import { BlockMeans, block, bytesOf, meansOf, mostApart, wrong } from "./looks.ts";

const headBytes = 200_000;
const mostProgressivePixels = 150_000_000;

export const jpeg: PictureWriter = {
  mime: "image/jpeg",
  mostSidePx: mostJpegSidePx,
  encoder({ colour, chroma, quality, progressive: coarseFirst }, size) {
    // A progressive picture is held in memory until it is whole.
    const progressive = coarseFirst && size.widthPx * size.heightPx <= mostProgressivePixels;
    const how = { ...size, profile: rgbProfile(colour), chroma, quality: Math.round(100 * quality) };
    if (!progressive) return sideBySide(how);
    const encoder = new JpegEncoder({ ...how, progressive });
    return { add: async (rows) => encoder.addRows(rows as Uint8ClampedArray), finish: async () => encoder.finish() };
  },
  judge(options, size) {
    const { widthPx, heightPx, ppi } = size;
    const look = new BlockMeans(widthPx, heightPx, block);
    return {
      look,
      async readBack(file) {
        const facts = readJpegFacts(await bytesOf(file, 0, headBytes));
        const right = facts.widthPx === widthPx && facts.heightPx === heightPx && facts.ppi === Math.round(ppi);
        const end = await bytesOf(file, file.size - 2, file.size);
        if (!right || end[0] !== 0xff || end[1] !== 0xd9) throw wrong(JSON.stringify(facts));
        const seen = await meansOf(file, options, size);
        if (seen && look.apart(seen) > mostApart) throw wrong(`means are ${look.apart(seen).toFixed(1)} apart`);
      },
    };
  },
};

/** Whoever hands over looks at all rows meanwhile, and so codes a little less than half of them. */
const ownShare = 0.46;
/** So few rows are sooner coded here than handed over. */
const leastShared = 512;

/** A baseline JPEG, of whose bands a helper codes the lower half meanwhile. Bands begin where coding may begin afresh. */
function sideBySide(options: Omit<JpegOptions, "progressive">): RowsEncoder {
  const fresh = freshRows(options);
  let front = jpegHead(options);
  let row = 0;
  return {
    add: async (band) => {
      const rows = band as Uint8ClampedArray;
      const line = 4 * options.widthPx;
      const count = rows.length / line;
      const half = count < leastShared ? count : Math.ceil((ownShare * count) / fresh) * fresh;
      const lower =
        half < count
          ? helper.run("jpegPart", { options, rows: rows.slice(half * line), fromRow: row + half })
          : Promise.resolve([]);
      const upper = jpegPart(options, rows.subarray(0, half * line), row);
      row += count;
      const parts = [...front, ...upper, ...(await lower)];
      front = [];
      return parts;
    },
    finish: async () => [jpegEnd()],
  };
}
