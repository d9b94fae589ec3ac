import { writeFile } from "node:fs/promises";
import { join } from "node:path";
import sharp from "sharp";
import { circle, ellipse, group, line, rect, shape } from "./svg.ts";

/** Patterned sheets and small drawings to go with the photos: as vectors, as JPEG, and as PNG with transparency. */

interface Listed {
  readonly file: string;
  readonly bytes: number;
}

const svg = (w: number, h: number, body: string) =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="${w}" height="${h}" viewBox="0 0 ${w} ${h}">${body}</svg>`;

/** A sheet of 12 inches, 100 units an inch, covered by one repeated tile. */
const sheet = (ground: string, step: number, tile: string) =>
  svg(
    1200,
    1200,
    `<defs><pattern id="p" width="${step}" height="${step}" patternUnits="userSpaceOnUse">${tile}</pattern></defs>${rect(0, 0, 1200, 1200, ground)}${rect(0, 0, 1200, 1200, "url(#p)")}`,
  );

const reed = (x: number, lean: number) => line(`M${x} 100 Q${x + lean} 50 ${x + lean * 1.6} 8`, "#7f9166", 3);

const papers = {
  ticking: sheet("#f1ebdd", 48, rect(0, 0, 12, 48, "#5d7f8c") + rect(20, 0, 3, 48, "#5d7f8c")),
  gingham: sheet(
    "#faf5ea",
    60,
    rect(0, 0, 30, 60, "#b2472a", { opacity: 0.32 }) + rect(0, 0, 60, 30, "#b2472a", { opacity: 0.32 }),
  ),
  ripples: sheet("#dfe9e6", 100, line("M0 30 Q25 10 50 30 T100 30 M0 80 Q25 60 50 80 T100 80", "#8fb0ae", 5)),
  reeds: sheet("#f3efe2", 100, reed(18, 9) + reed(52, -7) + reed(80, 6) + ellipse(88, 22, 4, 13, "#8a5a3c")),
  portholes: sheet("#eee3cc", 120, circle(60, 60, 34, "#c9973f") + circle(60, 60, 25, "#e9d9b4")),
} as const;

const leaf = (x: number, y: number, turn: number, fill: string) =>
  group(shape("M0 0 C30 -30 80 -26 110 0 C80 26 30 30 0 0 Z", fill), `translate(${x} ${y}) rotate(${turn})`);

const ornaments = {
  sprig: svg(
    400,
    600,
    line("M200 580 C190 400 215 220 200 40", "#5b6b45", 8) +
      [90, 190, 290, 390].map((y, i) => leaf(202, y + 40, -35, i % 2 ? "#7f9c56" : "#93ad68")).join("") +
      [140, 240, 340].map((y) => leaf(198, y + 40, 215, "#6d8a49")).join(""),
  ),
  anchor: svg(
    400,
    500,
    circle(200, 70, 42, "none", { stroke: "#1f3d4a", "stroke-width": 20 }) +
      line("M200 112 V440 M110 180 H290 M60 320 C70 420 150 450 200 450 C250 450 330 420 340 320", "#1f3d4a", 24),
  ),
  tape: svg(
    600,
    160,
    shape("M10 20 L590 8 L578 44 L596 84 L580 118 L592 152 L14 148 L26 110 L8 78 L24 50 Z", "#e3c57a", {
      opacity: 0.72,
    }),
  ),
  star: svg(
    400,
    400,
    shape("M200 20 L246 146 L380 150 L274 232 L312 362 L200 286 L88 362 L126 232 L20 150 L154 146 Z", "#dca42c"),
  ),
} as const;

async function put(folder: string, file: string, bytes: Buffer): Promise<Listed> {
  await writeFile(join(folder, file), bytes);
  return { file, bytes: bytes.length };
}

export async function drawPapers(folder: string): Promise<Listed[]> {
  const drawn = Object.entries(papers).map(([name, body]) => put(folder, `${name}.svg`, Buffer.from(body)));
  const kraft = await sharp({
    create: {
      width: 2400,
      height: 2400,
      channels: 3,
      background: "#c2a27a",
      noise: { type: "gaussian", mean: 128, sigma: 9 },
    },
  })
    .tint("#c2a27a")
    .jpeg({ quality: 82 })
    .toBuffer();
  return Promise.all([...drawn, put(folder, "kraft.jpg", kraft)]);
}

export async function drawOrnaments(folder: string): Promise<Listed[]> {
  const { star, ...vectors } = ornaments;
  const drawn = Object.entries(vectors).map(([name, body]) => put(folder, `${name}.svg`, Buffer.from(body)));
  return Promise.all([...drawn, put(folder, "star.png", await sharp(Buffer.from(star)).resize(1200).png().toBuffer())]);
}
