import { ok, type Result, refused } from "#core/result";
import { mmPer, type Unit } from "./unit.ts";

export type LengthTrouble = "emptyLength" | "notALength" | "dividedByZero";

/** A quantity on its way through a sum: a bare number, or a length once a unit has been seen. */
interface Quantity {
  readonly n: number;
  readonly mm: boolean;
}

interface Token {
  readonly kind: "number" | "unit" | "sign";
  readonly text: string;
  readonly n: number;
}

class NotALength extends Error {}
class DividedByZero extends Error {}

const unitNames: Readonly<Record<string, Unit>> = {
  mm: "mm",
  cm: "cm",
  in: "in",
  inch: "in",
  inches: "in",
  '"': "in",
  "″": "in",
  px: "px",
  pixel: "px",
  pixels: "px",
};

// A whole number followed by a fraction ("8 1/2") is one number, as on a tape measure.
const pattern = /\s*(?:(\d+)\s+(\d+)\/(\d+)|(\d+(?:[.,]\d*)?|[.,]\d+)|([a-z]+|["″])|([-+*/()×]))/iy;

function tokens(text: string): Token[] {
  const found: Token[] = [];
  pattern.lastIndex = 0;
  const end = text.trimEnd().length;
  while (pattern.lastIndex < end) {
    const m = pattern.exec(text);
    if (!m) throw new NotALength();
    const [, whole, over, under, number, unit, sign] = m;
    if (whole !== undefined) {
      if (Number(under) === 0) throw new DividedByZero();
      found.push({ kind: "number", text: m[0], n: Number(whole) + Number(over) / Number(under) });
    } else if (number !== undefined) {
      found.push({ kind: "number", text: number, n: Number(number.replace(",", ".")) });
    } else if (unit !== undefined) found.push({ kind: "unit", text: unit.toLowerCase(), n: 0 });
    else found.push({ kind: "sign", text: sign === "×" ? "*" : (sign as string), n: 0 });
  }
  return found;
}

/** Recursive descent over `sum = product (± product)*`, `product = value ((*|/) value)*`. */
class SumReader {
  readonly #tokens: readonly Token[];
  readonly #unit: Unit;
  readonly #ppi: number;
  #at = 0;

  constructor(found: readonly Token[], unit: Unit, ppi: number) {
    this.#tokens = found;
    this.#unit = unit;
    this.#ppi = ppi;
  }

  whole(): number {
    const q = this.#sum();
    if (this.#at < this.#tokens.length) throw new NotALength();
    return this.#asMm(q);
  }

  #asMm(q: Quantity): number {
    return q.mm ? q.n : q.n * mmPer(this.#unit, this.#ppi);
  }

  #takeSign(of: string): string | undefined {
    const t = this.#tokens[this.#at];
    if (t?.kind !== "sign" || !of.includes(t.text)) return undefined;
    this.#at += 1;
    return t.text;
  }

  #sum(): Quantity {
    let left = this.#product();
    for (let sign = this.#takeSign("+-"); sign; sign = this.#takeSign("+-")) {
      const right = this.#product();
      const by = sign === "+" ? 1 : -1;
      left =
        left.mm || right.mm
          ? { n: this.#asMm(left) + by * this.#asMm(right), mm: true }
          : { n: left.n + by * right.n, mm: false };
    }
    return left;
  }

  #product(): Quantity {
    let left = this.#value();
    for (let sign = this.#takeSign("*/"); sign; sign = this.#takeSign("*/")) {
      const right = this.#value();
      if (sign === "*") {
        if (left.mm && right.mm) throw new NotALength();
        left = { n: left.n * right.n, mm: left.mm || right.mm };
      } else {
        if (right.mm) throw new NotALength();
        if (right.n === 0) throw new DividedByZero();
        left = { n: left.n / right.n, mm: left.mm };
      }
      left = this.#withUnit(left);
    }
    return left;
  }

  #value(): Quantity {
    if (this.#takeSign("-")) {
      const q = this.#value();
      return { ...q, n: -q.n };
    }
    if (this.#takeSign("(")) {
      const inner = this.#sum();
      if (!this.#takeSign(")")) throw new NotALength();
      return this.#withUnit(inner);
    }
    const t = this.#tokens[this.#at];
    if (t?.kind !== "number") throw new NotALength();
    this.#at += 1;
    // In "1/2 in" the unit belongs to the half, not to the two.
    const inFraction = this.#tokens[this.#at - 2]?.text === "/";
    return inFraction ? { n: t.n, mm: false } : this.#withUnit({ n: t.n, mm: false });
  }

  #withUnit(q: Quantity): Quantity {
    const t = this.#tokens[this.#at];
    if (t?.kind !== "unit") return q;
    const unit = unitNames[t.text];
    if (!unit || q.mm) throw new NotALength();
    this.#at += 1;
    return { n: q.n * mmPer(unit, this.#ppi), mm: true };
  }
}

/**
 * Reads what a person typed into a length field, as millimetres: `12`, `8 1/2 in`, `3,5 cm`, `(12 - 2*0.5)/3`.
 * A number without a unit is in `unit`; inside a sum every term may have its own.
 */
export function parseLength(text: string, unit: Unit, ppi: number): Result<number, LengthTrouble> {
  if (text.trim() === "") return refused("emptyLength");
  try {
    const mm = new SumReader(tokens(text), unit, ppi).whole();
    return Number.isFinite(mm) ? ok(mm) : refused("notALength", { text });
  } catch (e) {
    if (e instanceof NotALength) return refused("notALength", { text });
    if (e instanceof DividedByZero) return refused("dividedByZero", { text });
    throw e;
  }
}
