/** Colours of print files and of screens: IEC 61966-2-1 and SMPTE EG 432-1, adapted to D50 by Bradford; both have the tones of sRGB. */

export const printColours = ["srgb", "displayP3"] as const;
export type PrintColour = (typeof printColours)[number];

/** What full red, green and blue are in XYZ of D50. */
export interface Primaries {
  readonly rXYZ: readonly number[];
  readonly gXYZ: readonly number[];
  readonly bXYZ: readonly number[];
}

export const printSpaces = {
  srgb: {
    name: "sRGB IEC61966-2.1",
    rXYZ: [0.4360747, 0.2225045, 0.0139322],
    gXYZ: [0.3850649, 0.7168786, 0.0971045],
    bXYZ: [0.1430804, 0.0606169, 0.7141733],
  },
  displayP3: {
    name: "Display P3",
    rXYZ: [0.5151187, 0.2411892, -0.0010505],
    gXYZ: [0.2919778, 0.6922441, 0.0418791],
    bXYZ: [0.1571035, 0.0665667, 0.7840713],
  },
} as const satisfies { readonly [C in PrintColour]: Primaries & { readonly name: string } };

/** The matrix from red, green and blue light to XYZ. */
export const toXyzOf = ({ rXYZ, gXYZ, bXYZ }: Primaries): number[][] =>
  [0, 1, 2].map((row) => [rXYZ[row]!, gXYZ[row]!, bXYZ[row]!]);

export const dot = (a: readonly number[], b: readonly number[]): number => a.reduce((sum, v, i) => sum + v * b[i]!, 0);

export function inverse3(m: readonly (readonly number[])[]): number[][] {
  const cofactor = (r: number, c: number) => {
    const [r1, r2, c1, c2] = [(r + 1) % 3, (r + 2) % 3, (c + 1) % 3, (c + 2) % 3];
    return m[r1]![c1]! * m[r2]![c2]! - m[r1]![c2]! * m[r2]![c1]!;
  };
  const det = [0, 1, 2].reduce((sum, c) => sum + m[0]![c]! * cofactor(0, c), 0);
  return [0, 1, 2].map((r) => [0, 1, 2].map((c) => cofactor(c, r) / det));
}
