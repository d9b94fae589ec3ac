/** Numbers, money and times as a language writes them (BCP 47), by what the browser knows of it (ECMA-402). */
export interface Formats {
  number(n: number, digits?: number): string;
  percent(share: number, digits?: number): string;
  /** A price in its currency, where one is known. */
  money(amount: number, currency: string | undefined): string;
  /** 14:05, here and now. */
  clock(iso: string): string;
  clockWithSeconds(iso: string): string;
  /** A photo's wall-clock time: it is shown as it was where the photo was taken. */
  takenMoment(takenAt: string): string;
  takenDay(takenAt: string): string;
  /** A month, of a day in it. */
  takenMonth(takenAt: string): string;
  /** The same in a few letters. */
  shortMonth(takenAt: string): string;
  /** A day of this calendar, from a moment. */
  dayHere(iso: string): string;
  /** "One" or "more" as the language tells them apart, by `{one, other, …}`. */
  plural(n: number, forms: Partial<Record<Intl.LDMLPluralRule, string>> & { readonly other: string }): string;
  /** What a language is called. */
  language(code: string): string;
}

export function formatsOf(language: string): Formats {
  const date = (options: Intl.DateTimeFormatOptions) => new Intl.DateTimeFormat(language, options);
  const clock = date({ hour: "2-digit", minute: "2-digit" });
  const seconds = date({ hour: "2-digit", minute: "2-digit", second: "2-digit" });
  const day = date({ day: "numeric", month: "long", year: "numeric", timeZone: "UTC" });
  const month = date({ month: "long", year: "numeric", timeZone: "UTC" });
  const short = date({ month: "short", year: "numeric", timeZone: "UTC" });
  const here = date({ day: "numeric", month: "short", year: "numeric" });
  const moment = date({
    day: "numeric",
    month: "short",
    year: "numeric",
    hour: "2-digit",
    minute: "2-digit",
    timeZone: "UTC",
  });
  const plurals = new Intl.PluralRules(language);
  const names = new Intl.DisplayNames([language], { type: "language" });
  const number = (n: number, digits = 0) =>
    n.toLocaleString(language, { minimumFractionDigits: digits, maximumFractionDigits: digits });
  const dayOf = (takenAt: string) => new Date(`${takenAt.slice(0, 10)}T00:00:00Z`);
  return {
    number,
    percent: (share, digits = 0) => `${number(100 * share, digits)} %`,
    money: (amount, currency) =>
      new Intl.NumberFormat(language, {
        ...(currency ? { style: "currency", currency } : {}),
        minimumFractionDigits: 2,
        maximumFractionDigits: 2,
      }).format(amount),
    clock: (iso) => clock.format(new Date(iso)),
    clockWithSeconds: (iso) => seconds.format(new Date(iso)),
    takenMoment: (takenAt) => moment.format(new Date(`${takenAt}Z`)),
    takenDay: (takenAt) => day.format(dayOf(takenAt)),
    takenMonth: (takenAt) => month.format(dayOf(takenAt)),
    shortMonth: (takenAt) => short.format(dayOf(takenAt)),
    dayHere: (iso) => here.format(new Date(iso)),
    plural: (n, forms) => forms[plurals.select(n)] ?? forms.other,
    language: (code) => names.of(code) ?? code,
  };
}
