import { readFile } from "node:fs/promises";
import { firstWordStyles, layWords, type Typesetter } from "#core/words";
import { breaksOf } from "../web/words/breaks.ts";
import { fontFiles } from "../web/words/font-urls.ts";
import { harfbuzzFace } from "../web/words/harfbuzz-face.ts";
import { levelsOf } from "../web/words/levels.ts";
import { sfntOf } from "../web/words/woff.ts";

/**
 * The captions of a book laid anew, as a worker does it: 400 texts of 12 to 31 words, each a text that was not laid before. Beside it, in the
 * same run, HarfBuzz alone shapes the same texts.
 */

const captions = 400;
const rounds = 6;
const key = "source-sans-3-400";
const words =
  "the lock keeper waved us through at five in the morning before anybody else along the river was awake and Biscuit slept on".split(
    " ",
  );

const files = await Promise.all(
  fontFiles(key).map(async ({ family, file }) =>
    sfntOf(new Uint8Array(await readFile(`node_modules/@fontsource/${family}/files/${file}`))),
  ),
);
const face = harfbuzzFace(key, files);
const setter: Typesetter = { face: () => face, breaks: breaksOf, levels: levelsOf };
const textsOf = (round: number): readonly string[] =>
  Array.from({ length: captions }, (_, i) => {
    const some = Array.from({ length: 12 + (i % 20) }, (_, k) => words[(i * 7 + k * 3 + round) % words.length]);
    return `${some.join(" ")} ${round * captions + i}.`;
  });

const spent = (work: () => void): number => {
  const from = performance.now();
  work();
  return performance.now() - from;
};
const style = { ...firstWordStyles.caption, whole: true as const };

for (let round = 0; round < rounds; round += 1) {
  const texts = textsOf(round);
  const shaping = spent(() => {
    for (const text of texts) face.shape(text);
  });
  const laying = spent(() => {
    for (const text of texts) layWords({ text, style, language: "en-GB" }, { w: 60, h: 40 }, setter);
  });
  const ratio = (laying / shaping).toFixed(1);
  console.log(
    `round ${round + 1}: ${laying.toFixed(0)} ms laid, ${shaping.toFixed(0)} ms shaped alone, ratio ${ratio}`,
  );
}
