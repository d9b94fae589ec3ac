import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { formatLength, formatOnRule, formatSize, fromMm, lengthNumber, parseLength, toMm, units } from "./index.ts";

const mm = (text: string, unit: "mm" | "cm" | "in" | "px" = "in", ppi = 300) => {
  const read = parseLength(text, unit, ppi);
  return read.ok ? read.value : read.code;
};

test("a length is read as people write it", () => {
  expect(mm("12")).toBeCloseTo(304.8);
  expect(mm(" 8 1/2 in ")).toBeCloseTo(215.9);
  expect(mm("3,5 cm")).toBeCloseTo(35);
  expect(mm('8.5"')).toBeCloseTo(215.9);
  expect(mm("600 px", "mm", 300)).toBeCloseTo(50.8);
  expect(mm("1/2 in", "mm")).toBeCloseTo(12.7);
});

test("simple sums work, and every term may have its own unit", () => {
  expect(mm("(12 - 2*0.5)/2", "mm")).toBeCloseTo(5.5);
  expect(mm("1 in + 5", "mm")).toBeCloseTo(30.4);
  expect(mm("30 cm / 2", "mm")).toBeCloseTo(150);
  expect(mm("-(2)", "mm")).toBeCloseTo(-2);
});

test("what is no length says so", () => {
  expect(mm("abc")).toBe("notALength");
  expect(mm("")).toBe("emptyLength");
  expect(mm("5 / 0")).toBe("dividedByZero");
  expect(mm("1 1/0")).toBe("dividedByZero");
  for (const wrong of ["2 in * 3 in", "4 / 2 in in", "5 miles", "(3", "3)", "1 2", "+", "1e9999"])
    expect(mm(wrong)).toBe("notALength");
});

test("a length on a rule is in fractions of an inch where its marks meet it, and reads back as it is", () => {
  expect(formatOnRule(76.2, "in", 300)).toBe("3 in");
  expect(formatOnRule(25.4 * 2.9375, "in", 300)).toBe("2 15/16 in");
  expect(formatOnRule(12.7, "in", 300)).toBe("1/2 in");
  expect(formatOnRule(76.2, "mm", 300)).toBe("76.2 mm");
  fc.assert(
    fc.property(
      fc.double({ min: 0.5, max: 900, noNaN: true }),
      fc.constantFrom("in" as const, "cm" as const),
      (length, unit) => {
        const read = parseLength(formatOnRule(length, unit, 300), unit, 300);
        expect(read.ok && Math.abs(read.value - length)).toBeLessThan(0.11);
      },
    ),
  );
});

test("any text at all is answered without a throw", () => {
  fc.assert(
    fc.property(fc.string(), fc.constantFrom(...units), (text, unit) => {
      expect(typeof parseLength(text, unit, 300).ok).toBe("boolean");
    }),
  );
});

test("a length that was formatted reads back as itself, to what is shown", () => {
  const shown = { mm: 0.05, cm: 0.05, in: 0.25, px: 0.05 };
  fc.assert(
    fc.property(fc.double({ min: 0, max: 2000, noNaN: true }), fc.constantFrom(...units), (length, unit) => {
      const read = parseLength(formatLength(length, unit, 300), unit, 300);
      expect(read.ok && Math.abs(read.value - length)).toBeLessThanOrEqual(shown[unit] + 1e-9);
      expect(toMm(fromMm(length, unit, 300), unit, 300)).toBeCloseTo(length, 6);
    }),
  );
});

test("numbers have no needless zeros", () => {
  expect(lengthNumber(304.8, "in", 300)).toBe("12");
  expect([18, 10, 3, 1.5, 3.175, 25.4 / 32, 215.9].map((l) => lengthNumber(l, "in", 300))).toEqual([
    "0.7",
    "0.4",
    "0.12",
    "0.06",
    "0.125",
    "0.03",
    "8.5",
  ]);
  expect(lengthNumber(-0.001, "mm", 300)).toBe("0");
  expect(formatSize(304.8, 457.2, "in", 300)).toBe("12 × 18 in");
});
