import { fingerprint } from "#core/random";
import type { DrawStep, Scene } from "#core/scene";

/**
 * The exact state of a page, as it is drawn: what was approved is pinned to this. Lengths count to a thousandth of a millimetre, so that
 * another computer's last digit is no change; masks count by their pixels.
 */
export function sceneMark({ box, steps }: Scene, hashOf: (photoId: string) => string | undefined): string {
  const plain = (key: string, value: unknown): unknown => {
    if (typeof value === "number") return Math.round(value * 1000) / 1000 + 0;
    if (key === "photoId" && typeof value === "string") return hashOf(value) ?? value;
    if (ArrayBuffer.isView(value)) return bytesMark(value);
    return value;
  };
  return fingerprint(JSON.stringify([box, steps satisfies readonly DrawStep[]], plain));
}

function bytesMark({ buffer, byteOffset, byteLength }: ArrayBufferView): string {
  return fingerprint(new Uint8Array(buffer, byteOffset, byteLength).join());
}

/** The state of the work as a whole, by those of its pages in the order in which it is read. */
export const wholeMark = (marks: Iterable<string>): string => fingerprint([...marks].join());
