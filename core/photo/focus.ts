import type { Focus } from "./schema/focus.ts";

export type { Focus } from "./schema/focus.ts";

export type FaceBox = Focus["faces"][number];

/** The middle of the faces, the larger ones counting more; undefined without faces. */
export function pointOfFaces(faces: readonly FaceBox[]): Focus["point"] | undefined {
  let [x, y, weight] = [0, 0, 0];
  for (const f of faces) {
    const area = f.w * f.h;
    x += area * (f.x + f.w / 2);
    y += area * (f.y + f.h / 2);
    weight += area;
  }
  return weight > 0 ? { x: x / weight, y: y / weight } : undefined;
}
