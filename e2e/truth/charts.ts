import { writeFile } from "node:fs/promises";
import { join } from "node:path";
import sharp from "sharp";
import { zonePlate } from "../../core/pixels/zone-plate.fixture.ts";

/** Pictures made by code, of which it is known exactly how they have to print. */

/** A zone plate as a PNG, so that only drawing is measured. */
export async function plateFile(folder: string, n: number): Promise<string> {
  const { data } = zonePlate(n);
  const path = join(folder, "plate.png");
  await writeFile(
    path,
    await sharp(data, { raw: { width: n, height: n, channels: 4 } })
      .removeAlpha()
      .png()
      .toBuffer(),
  );
  return path;
}
