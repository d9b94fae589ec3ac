/** A price in its currency, where one is known. */
export const money = (amount: number, currency: string | undefined): string =>
  new Intl.NumberFormat("en-GB", {
    ...(currency ? { style: "currency", currency } : {}),
    minimumFractionDigits: 2,
    maximumFractionDigits: 2,
  }).format(amount);
