export const units = ["mm", "cm", "in", "px"] as const;

/** The units a person may read and type lengths in. `px` only means something together with a density. */
export type Unit = (typeof units)[number];

export const mmPerInch = 25.4;

/** One `unit` in millimetres; `ppi` is the density that a pixel is measured at. */
export function mmPer(unit: Unit, ppi: number): number {
  switch (unit) {
    case "mm":
      return 1;
    case "cm":
      return 10;
    case "in":
      return mmPerInch;
    case "px":
      return mmPerInch / ppi;
  }
}

export const toMm = (value: number, unit: Unit, ppi: number): number => value * mmPer(unit, ppi);
export const fromMm = (mm: number, unit: Unit, ppi: number): number => mm / mmPer(unit, ppi);

/** As many decimals as matter on paper: a tenth of a millimetre, a thousandth of an inch, whole pixels. */
const decimals: Record<Unit, number> = { mm: 1, cm: 2, in: 3, px: 0 };

/** Closer than this nobody cuts by hand. */
const byHandMm = 0.25;

/** As few decimals as say it closely enough; all of them where that is what was typed, as an eighth of an inch. */
function decimalsOf(value: number, mm: number, unit: Unit, ppi: number): number {
  const most = decimals[unit];
  if (unit !== "in" || Math.abs(value - Number(value.toFixed(most))) < 1e-9) return most;
  const enough = [0, 1, 2].find((d) => Math.abs(toMm(Number(value.toFixed(d)), unit, ppi) - mm) <= byHandMm);
  return enough ?? most;
}

const numberOf = (value: number, places: number): string => {
  const rounded = Number(value.toFixed(places));
  return String(rounded === 0 ? 0 : rounded);
};

/** The number alone, without its unit and without closing zeros: `304.8`, `12`, `0.125`; 18 mm are `0.7` inches. */
export function lengthNumber(mm: number, unit: Unit, ppi: number): string {
  const value = fromMm(mm, unit, ppi);
  return numberOf(value, decimalsOf(value, mm, unit, ppi));
}

export const formatLength = (mm: number, unit: Unit, ppi: number): string => `${lengthNumber(mm, unit, ppi)} ${unit}`;

/** The finest marks of a rule in inches. */
const marksAnInch = 32;
const onMarkMm = 0.1;

/** A length as a rule shows it: inches in fractions, where one of its marks is near enough to set a trimmer by. */
export function formatOnRule(mm: number, unit: Unit, ppi: number): string {
  const marks = Math.round((Math.abs(mm) / mmPerInch) * marksAnInch);
  const off = Math.abs((marks / marksAnInch) * mmPerInch - Math.abs(mm));
  if (unit !== "in" || marks === 0 || off > onMarkMm)
    return `${numberOf(fromMm(mm, unit, ppi), decimals[unit])} ${unit}`;
  const [whole, rest] = [Math.floor(marks / marksAnInch), marks % marksAnInch];
  let [over, under] = [rest, marksAnInch];
  while (over > 0 && over % 2 === 0) [over, under] = [over / 2, under / 2];
  const fraction = rest === 0 ? [] : [`${over}/${under}`];
  return `${mm < 0 ? "-" : ""}${[...(whole > 0 ? [String(whole)] : []), ...fraction].join(" ")} in`;
}

/** `12 × 18 in` */
export const formatSize = (widthMm: number, heightMm: number, unit: Unit, ppi: number): string =>
  `${lengthNumber(widthMm, unit, ppi)} × ${lengthNumber(heightMm, unit, ppi)} ${unit}`;
