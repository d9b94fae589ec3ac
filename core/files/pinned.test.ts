import { expect, test } from "@jest/globals";
import { unzipSync } from "fflate";
import { seededRandom } from "#core/random";
import { fingerprint } from "../random/fingerprint.fixture.ts";
import {
  crc32,
  greyProfile,
  JpegEncoder,
  type JpegOptions,
  lzwPacked,
  outputProfile,
  PngFilter,
  printColours,
  rgbProfile,
  storedZip,
} from "./index.ts";

/** Slopes, an edge and noise: each kind of block that a photo has. */
function picture(w: number, h: number): Uint8ClampedArray {
  const random = seededRandom(5);
  return Uint8ClampedArray.from({ length: 4 * w * h }, (_, i) => {
    const [x, y, channel] = [(i >> 2) % w, Math.floor((i >> 2) / w), i & 3];
    if (channel === 3) return 255;
    const edge = x + y > w ? 60 : 0;
    return 120 + 80 * Math.sin((x + 30 * channel) / 11) + edge + (y > h / 2 ? 40 * (random() - 0.5) : 0);
  });
}

test("the same pixels become the same JPEG, byte by byte", () => {
  const [w, h] = [83, 59];
  const rgba = picture(w, h);
  const made = (["444", "420"] as const).flatMap((chroma) =>
    [false, true].flatMap((progressive) =>
      [50, 83, 95, 100].map((quality) => {
        const options: JpegOptions = {
          widthPx: w,
          heightPx: h,
          quality,
          chroma,
          progressive,
          ppi: 300,
          profile: rgbProfile("srgb"),
        };
        const encoder = new JpegEncoder(options);
        const parts = [...encoder.addRows(rgba), ...encoder.finish()];
        return `${chroma} ${progressive} ${quality}: ${fingerprint(new Uint8Array(Buffer.concat(parts)))}`;
      }),
    ),
  );
  expect(made).toMatchSnapshot();
});

test("profiles, packings and filtered rows are the same, byte by byte", () => {
  const profiles = [...printColours.map((c) => rgbProfile(c)), greyProfile(), greyProfile(1.8), outputProfile()];
  expect(profiles.map(fingerprint)).toMatchSnapshot();
  const rgb = Uint8Array.from({ length: 2400 }, (_, i) => (i * i) & 255);
  expect(fingerprint(lzwPacked(rgb))).toMatchSnapshot();
  expect(fingerprint(new PngFilter(83).rows(picture(83, 59)))).toMatchSnapshot();
});

test("an archive of more files than sixteen bits can count is read whole by another reader", () => {
  const entries = Array.from({ length: 65_540 }, (_, i) => ({ path: `${i}.txt`, bytes: 1, crc: crc32(letter(i)) }));
  const { headers, directory } = storedZip(entries);
  const zip = new Uint8Array(Buffer.concat([...headers.flatMap((h, i) => [h, letter(i)]), directory]));
  const read = unzipSync(zip);
  expect(Object.keys(read)).toHaveLength(65_540);
  expect(read["65539.txt"]).toEqual(letter(65_539));
});

const letter = (i: number) => Uint8Array.of(65 + (i % 26));
