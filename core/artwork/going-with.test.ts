import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { nameOfColour } from "#core/colour";
import { apart, busynessOf, groundsBeside, labOf, loudnessOf, papersBeside, type SeenColour } from "./index.ts";

const colour = fc
  .tuple(fc.nat(255), fc.nat(255), fc.nat(255))
  .map((rgb) => `#${rgb.map((v) => v.toString(16).padStart(2, "0")).join("")}`);
const seen: fc.Arbitrary<SeenColour> = fc.record({
  colour,
  worth: fc.double({ min: 0.05, max: 1, noNaN: true }),
  photoId: fc.constantFrom("a", "b"),
});

test("grounds stand off from what is mostly seen and from each other, each out of a colour that is there", () => {
  fc.assert(
    fc.property(fc.array(seen, { minLength: 1, maxLength: 12 }), (all) => {
      const grounds = groundsBeside(all);
      for (const [i, g] of grounds.entries()) {
        expect(g.colour).toMatch(/^#[0-9a-f]{6}$/);
        expect(all).toContain(g.from);
        for (const other of grounds.slice(0, i)) expect(apart(g.colour, other.colour)).toBeGreaterThanOrEqual(0.05);
      }
      const lightnessOf = (reason: string) => {
        const found = grounds.find((g) => g.reason === reason);
        return found && labOf(found.colour)[0];
      };
      expect(lightnessOf("quiet") ?? 0.945).toBeGreaterThan(0.92);
      expect(lightnessOf("deep") ?? 0.3).toBeLessThan(0.34);
    }),
  );
  expect(groundsBeside([])).toEqual([]);
  const sea = { colour: "#2f6fa8", worth: 1, photoId: "sea" };
  const buoy = { colour: "#e06a20", worth: 0.1, photoId: "buoy" };
  const found = groundsBeside([sea, buoy]);
  expect(found.map((g) => [g.reason, g.from.photoId])).toEqual([
    ["quiet", "sea"],
    ["takenUp", "buoy"],
    ["deep", "sea"],
    ["opposite", "sea"],
  ]);
  const [, , b] = labOf(found[3]!.colour);
  expect(b).toBeGreaterThan(0.02);
});

test("busy photos get calm papers and calm ones lively papers, no two of one family", () => {
  const papers = (["lines", "dots", "waves", "lines", "dots"] as const).map((family, i) => ({
    ...{ design: "stripes" as const, family },
    loudness: [0.001, 0.02, 0.05, 0.09, 0.06][i]!,
  }));
  const families = (busy: number) => papersBeside(papers, busy, 2).map((p) => [p.family, p.loudness]);
  expect(families(0.2)).toEqual([
    ["dots", 0.02],
    ["lines", 0.001],
  ]);
  expect(families(0)).toEqual([
    ["waves", 0.05],
    ["dots", 0.06],
  ]);
});

test("a plain picture is neither busy nor loud, a chequered one is as loud as its two colours are apart", () => {
  const plain = new Uint8ClampedArray(16 * 16 * 4).fill(120);
  expect([busynessOf(plain, 16, 16), loudnessOf(plain)].map((v) => Math.round(v * 1e5))).toEqual([0, 0]);
  const chequered = plain.map((_, i) => ((Math.floor(i / 4) + Math.floor(i / 64)) % 2 ? 255 : 0));
  expect(loudnessOf(chequered)).toBeCloseTo(0.5, 3);
  expect(busynessOf(chequered, 16, 16)).toBeCloseTo(1, 3);
});

test("colours have the names that people give them", () => {
  const named = (c: string) => {
    const { shade, hue } = nameOfColour(c);
    return shade === "plain" ? hue : `${shade} ${hue}`;
  };
  const all = ["#ffffff", "#111111", "#808080", "#d02020", "#e08020", "#f0d820", "#209040", "#104020", "#2060c0"];
  expect(all.map(named)).toEqual([
    ...["white", "black", "grey", "red", "orange", "yellow", "green", "dark green", "deep blue"],
  ]);
  expect(["#f4dcdc", "#7040a0", "#d060a0", "#8fa3b3"].map(named)).toEqual([
    ...["pale red", "deep violet", "pink", "dusty blue"],
  ]);
});
