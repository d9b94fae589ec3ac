import { Human } from "@vladmandic/human";
import { type FaceBox, type Focus, interestOf, type Planes, pointOfFaces } from "#core/photo";

class FinderMissing extends Error {
  readonly code = "finderMissing";
}

/** The face model and the program that runs it lie beside the application; nothing is fetched from elsewhere. */
const models = "/models/";
const longPx = 640;
const interestPx = 64;
const leastScore = 0.5;

let finder: Promise<Human> | undefined;

function open(): Promise<Human> {
  finder ??= (async () => {
    const human = new Human({
      backend: "wasm",
      wasmPath: models,
      modelBasePath: models,
      debug: false,
      cacheSensitivity: 0,
      filter: { enabled: false },
      gesture: { enabled: false },
      face: {
        enabled: true,
        detector: {
          modelPath: "blazeface.json",
          maxDetected: 20,
          minConfidence: leastScore,
          rotation: false,
          return: false,
          skipFrames: 0,
          skipTime: 0,
        },
        mesh: { enabled: false },
        attention: { enabled: false },
        iris: { enabled: false },
        description: { enabled: false },
        emotion: { enabled: false },
        antispoof: { enabled: false },
        liveness: { enabled: false },
      },
      body: { enabled: false },
      hand: { enabled: false },
      object: { enabled: false },
      segmentation: { enabled: false },
    });
    try {
      await human.load();
    } catch (e) {
      throw new FinderMissing(String(e));
    }
    return human;
  })();
  return finder;
}

/** Faces first; where there are none, what draws the eye. */
export async function findFocus(preview: Blob): Promise<Focus> {
  const bitmap = await createImageBitmap(preview);
  try {
    const faces = await findFaces(bitmap);
    const point = pointOfFaces(faces);
    return point
      ? { faces, point, from: "faces" }
      : { faces: [], point: interestOf(planesOf(bitmap)), from: "interest" };
  } finally {
    bitmap.close();
  }
}

async function findFaces(bitmap: ImageBitmap): Promise<FaceBox[]> {
  const human = await open();
  const pixels = drawn(bitmap, longPx);
  const { face } = await human.detect(pixels);
  return face.flatMap(({ boxRaw, boxScore }) => {
    const [x, y, w, h] = boxRaw;
    const [x0, y0, x1, y1] = [Math.max(0, x), Math.max(0, y), Math.min(1, x + w), Math.min(1, y + h)];
    return boxScore >= leastScore && x1 > x0 && y1 > y0 ? [{ x: x0, y: y0, w: x1 - x0, h: y1 - y0 }] : [];
  });
}

function drawn(bitmap: ImageBitmap, mostPx: number): ImageData {
  const k = mostPx / Math.max(bitmap.width, bitmap.height);
  const [w, h] = [Math.max(1, Math.round(bitmap.width * k)), Math.max(1, Math.round(bitmap.height * k))];
  const ctx = new OffscreenCanvas(w, h).getContext("2d", { willReadFrequently: true })!;
  ctx.imageSmoothingQuality = "high";
  ctx.drawImage(bitmap, 0, 0, w, h);
  return ctx.getImageData(0, 0, w, h);
}

/** Brightness, and how red against green and how yellow against blue, as the eye opposes them. */
function planesOf(bitmap: ImageBitmap): Planes {
  const { width, height, data } = drawn(bitmap, interestPx);
  const planes = [0, 1, 2].map(() => new Float32Array(width * height));
  for (let i = 0; i < width * height; i += 1) {
    const [r, g, b] = [data[4 * i]!, data[4 * i + 1]!, data[4 * i + 2]!];
    planes[0]![i] = (r + g + b) / 3;
    planes[1]![i] = r - g;
    planes[2]![i] = (r + g) / 2 - b;
  }
  return { width, height, planes };
}
