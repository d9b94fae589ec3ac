import { linearOfByte } from "#core/colour";
import { isSrgb, jpegProfile } from "#core/files";

const headBytes = 600_000;
const sidePx = 256;

/** Display P3 to sRGB, both linear (CSS Color 4). */
const toSrgb = [
  [1.2249401763, -0.2249401763, 0],
  [-0.0420569547, 1.0420569547, 0],
  [-0.0196375546, -0.0786360456, 1.0982736001],
] as const;
/** Rounding to 8 bits alone puts some colours a little outside. */
const slack = 0.012;

/**
 * The share of a picture's pixels whose colour sRGB cannot hold. Only pictures with a wider profile inside are looked at;
 * measured within Display P3, which a browser can show.
 */
export async function beyondSrgb(original: Blob): Promise<number> {
  if (original.type !== "image/jpeg") return 0;
  const head = new Uint8Array(await original.slice(0, headBytes).arrayBuffer());
  let profile: Uint8Array | undefined;
  try {
    profile = jpegProfile(head);
  } catch {
    return 0;
  }
  if (!profile || isSrgb(profile)) return 0;
  const bitmap = await createImageBitmap(original, { resizeWidth: sidePx, resizeHeight: sidePx });
  const canvas = new OffscreenCanvas(sidePx, sidePx);
  const ctx = canvas.getContext("2d", { colorSpace: "display-p3", willReadFrequently: true });
  if (!ctx) return 0;
  ctx.drawImage(bitmap, 0, 0);
  bitmap.close();
  const { data } = ctx.getImageData(0, 0, sidePx, sidePx, { colorSpace: "display-p3" });
  let outside = 0;
  for (let i = 0; i < data.length; i += 4) {
    const rgb = [linearOfByte[data[i]!]!, linearOfByte[data[i + 1]!]!, linearOfByte[data[i + 2]!]!] as const;
    const out = toSrgb.some((row) => {
      const v = row[0] * rgb[0] + row[1] * rgb[1] + row[2] * rgb[2];
      return v < -slack || v > 1 + slack;
    });
    if (out) outside += 1;
  }
  return outside / (sidePx * sidePx);
}
