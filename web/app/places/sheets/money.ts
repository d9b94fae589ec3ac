import type { Stock } from "#core/sheets";

/** In the lab's currency, where it names one. */
export function money(amount: number, stock: Stock | null): string {
  const currency = stock?.kind === "lab" ? stock.card.currency : undefined;
  const digits = { minimumFractionDigits: 2, maximumFractionDigits: 2 };
  return new Intl.NumberFormat("en-GB", currency ? { style: "currency", currency } : digits).format(amount);
}
