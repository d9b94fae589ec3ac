import { toEncoded } from "#core/colour";
import { viewOf } from "../view-of.ts";
import { primariesOf, profileSpace, profileTags } from "./read-profile.ts";
import { dot, inverse3, type PrintColour, printSpaces, toXyzOf } from "./spaces.ts";

const levels = 65_536;

/**
 * From the colours of a profile of primaries and tone curves (ICC.1, 8.3.3) to those of a print file: sixteen bits a channel, red, green and
 * blue, in place. Undefined for a profile of any other make. What the print cannot show is cut off.
 */
export function colourConversion(
  profile: Uint8Array,
  to: PrintColour,
): ((rgb: Uint16Array<ArrayBuffer>) => void) | undefined {
  const primaries = primariesOf(profile);
  const [rXYZ, gXYZ, bXYZ] = ["rXYZ", "gXYZ", "bXYZ"].map((name) => primaries.get(name));
  const tags = profileTags(profile);
  const curves = ["rTRC", "gTRC", "bTRC"].map((name) => {
    const tag = tags.get(name);
    return tag && toneCurve(tag);
  });
  const [red, green, blue] = curves;
  if (profileSpace(profile) !== "RGB " || !rXYZ || !gXYZ || !bXYZ || !red || !green || !blue) return undefined;
  const back = inverse3(toXyzOf(printSpaces[to]));
  const source = toXyzOf({ rXYZ, gXYZ, bXYZ });
  const m = back.flatMap((row) =>
    [0, 1, 2].map((c) =>
      dot(
        row,
        source.map((s) => s[c]!),
      ),
    ),
  );
  const lights = [red, green, blue].map((curve) => Float32Array.from({ length: levels }, (_, i) => curve(i / 65_535)));
  const coded = Float32Array.from({ length: levels + 1 }, (_, i) => 65_535 * toEncoded(i / 65_535));
  const tone = (light: number): number => {
    const at = 65_535 * Math.min(1, Math.max(0, light));
    const i = Math.floor(at);
    return Math.round(coded[i]! + (at - i) * (coded[i + 1]! - coded[i]!));
  };
  return (rgb) => {
    for (let i = 0; i < rgb.length; i += 3) {
      const [r, g, b] = [lights[0]![rgb[i]!]!, lights[1]![rgb[i + 1]!]!, lights[2]![rgb[i + 2]!]!];
      rgb[i] = tone(m[0]! * r + m[1]! * g + m[2]! * b);
      rgb[i + 1] = tone(m[3]! * r + m[4]! * g + m[5]! * b);
      rgb[i + 2] = tone(m[6]! * r + m[7]! * g + m[8]! * b);
    }
  };
}

/** How many numbers each kind of formula has (ICC.1, 10.18). */
const formulaLengths = [1, 3, 4, 5, 7] as const;

/** From what is written to light, both 0 to 1; undefined for what is no curve. */
function toneCurve(tag: Uint8Array): ((v: number) => number) | undefined {
  if (tag.length < 12) return undefined;
  const view = viewOf(tag);
  const type = String.fromCharCode(...tag.subarray(0, 4));
  if (type === "curv") {
    const count = view.getUint32(8);
    if (count === 0) return (v) => v;
    if (tag.length < 12 + 2 * count) return undefined;
    if (count === 1) return (v) => v ** (view.getUint16(12) / 256);
    return (v) => {
      const at = v * (count - 1);
      const i = Math.min(Math.floor(at), count - 2);
      const [from, to] = [view.getUint16(12 + 2 * i), view.getUint16(14 + 2 * i)];
      return (from + (at - i) * (to - from)) / 65_535;
    };
  }
  const kind = view.getUint16(8);
  const length = formulaLengths[kind];
  if (type !== "para" || length === undefined || tag.length < 12 + 4 * length) return undefined;
  const [g = 1, a = 1, b = 0, c = 0, d = 0, e = 0, f = 0] = Array.from(
    { length },
    (_, i) => view.getInt32(12 + 4 * i) / 65_536,
  );
  // The first kind is a power alone; the second and third are straight below the point where the power begins.
  if (kind === 0) return (v) => v ** g;
  if (kind < 3) return (v) => (v >= -b / a ? (a * v + b) ** g + c : c);
  return (v) => (v >= d ? (a * v + b) ** g + e : c * v + f);
}
