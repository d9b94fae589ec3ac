import { execFileSync } from "node:child_process";
import type { Page } from "@playwright/test";
import sharp from "sharp";
import { measurePlate, placing } from "../../core/pixels/zone-plate.fixture.ts";
import { paintedPage } from "../support/tessip.ts";
import { colourCharts, patches, plateFile } from "./charts.ts";
import { everyKind, type Kind, kinds, sideBySide } from "./make.ts";
import {
  apart,
  colourAt,
  type Difference,
  differences,
  pictureInPdf,
  picturesIn,
  pixelsOff,
  type Seen,
  seen,
  sound,
} from "./readers.ts";

export interface Truth {
  readonly kind: Kind;
  /** As another program tells it. */
  readonly size: string;
  readonly density: string;
  readonly profile: string;
  /** Of patches in four profiles, in CIE 1976. */
  readonly colours: Difference;
  readonly offScreen: number | undefined;
  /** Beside the PNG. */
  readonly offOther: number | undefined;
  readonly plate: { readonly lost: number; readonly alias: number } | undefined;
}

const chartSide = { mm: 96, ppi: 254 };
const plate = { n: 2000, scale: 0.61 };

/** `newPage`: of a browser that has kept nothing yet. One of each kind of file, of colours and of a zone plate, as other programs see them. */
export async function everyTruth(newPage: () => Promise<Page>, folder: string): Promise<readonly Truth[]> {
  const page = await newPage();
  await sideBySide(page, await colourCharts(folder), chartSide.mm, chartSide.ppi);
  const onScreen = await sharp(await paintedPage(page))
    .removeAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  const screen: Seen = { data: onScreen.data, width: onScreen.info.width, height: onScreen.info.height };
  const charts = await everyKind(page);
  const plates = await platesOf(await newPage(), folder);
  const png = await seen(charts.png, chartSide.ppi);
  const truths: Truth[] = [];
  for (const kind of kinds) {
    const path = charts[kind];
    sound(path);
    const shown = kind === "png" ? png : await seen(path, chartSide.ppi);
    truths.push({
      kind,
      ...toldOf(path, kind),
      colours: await colourDifference(path, kind, shown),
      // librsvg shows colours without their profiles, so only their places could be compared.
      offScreen: kind === "svg" ? undefined : await pixelsOff(screen, shown),
      offOther: kind === "svg" ? undefined : await pixelsOff(png, shown),
      plate: plates[kind],
    });
  }
  return truths;
}

/** All four quarters of the page are one chart. */
async function colourDifference(path: string, kind: Kind, shown: Seen): Promise<Difference> {
  // librsvg knows nothing of profiles, so the pictures in a drawing are looked at by themselves.
  if (kind === "svg") return chartsApart(await picturesIn(path), [[0, 0, 1]]);
  const quarters = [0, 0.5].flatMap((y) => [0, 0.5].map((x) => [x, y, 0.5] as const));
  return chartsApart([shown], quarters);
}

function chartsApart(
  pictures: readonly Seen[],
  places: readonly (readonly [x: number, y: number, side: number])[],
): Difference {
  const side = Math.sqrt(patches.length);
  return differences(
    pictures.flatMap((picture) =>
      places.flatMap(([x, y, share]) =>
        patches.map((colour, i) => {
          const [u, v] = [((i % side) + 0.5) / side, (Math.floor(i / side) + 0.5) / side];
          return apart(colourAt(picture, x + share * u, y + share * v), colour);
        }),
      ),
    ),
  );
}

async function platesOf(page: Page, folder: string): Promise<Partial<Record<Kind, Truth["plate"]>>> {
  const sidePx = plate.n * plate.scale;
  await sideBySide(page, [await plateFile(folder, plate.n)], sidePx / 10, 254);
  const files = await everyKind(page, ["jpeg", "png", "tiff", "pdf"]);
  const measured: Partial<Record<Kind, Truth["plate"]>> = {};
  for (const [kind, path] of Object.entries(files)) {
    // What a viewer does to it while it shows it is not ours.
    const shown = kind === "pdf" ? await pictureInPdf(path) : await seen(path, 254);
    const { lost, alias } = measurePlate(shown, plate.n, placing(plate.n, plate.scale).matrix, 3);
    measured[kind as Kind] = { lost, alias: alias ?? Number.NaN };
  }
  return measured;
}

function toldOf(path: string, kind: Kind): Pick<Truth, "size" | "density" | "profile"> {
  const tags = JSON.parse(execFileSync("exiftool", ["-json", "-n", path], { encoding: "utf8" }))[0] as Record<
    string,
    unknown
  >;
  const has = (name: string) => (tags[name] === undefined ? "" : String(tags[name]));
  if (kind === "ora") {
    const stack = execFileSync("unzip", ["-p", path, "stack.xml"], { encoding: "utf8" });
    const [, w, h, ppi] = /w="(\d+)" h="(\d+)" xres="([\d.]+)"/.exec(stack)!;
    return { size: `${w} × ${h}`, density: ppi!, profile: "" };
  }
  if (kind === "pdf") {
    const info = execFileSync("pdfinfo", [path], { encoding: "utf8" });
    const subtype = execFileSync("exiftool", ["-s3", "-XMP-pdfxid:GTS_PDFXVersion", path], { encoding: "utf8" }).trim();
    return { size: /Page size:\s+(.+?) pts/.exec(info)![1]!, density: "", profile: subtype };
  }
  // PNG tells its density for a metre.
  const density = kind === "png" ? Math.round(Number(tags.PixelsPerUnitX) * 0.0254) : has("XResolution");
  return {
    size: `${has("ImageWidth")} × ${has("ImageHeight")}`,
    density: String(density),
    profile: has("ProfileDescription"),
  };
}
