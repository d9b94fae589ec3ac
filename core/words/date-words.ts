/** What works were written in before they could say so. */
export const firstLanguage = "en-GB";

/** Whether a tag can be used as a language (BCP 47). */
export function isLanguage(tag: string): boolean {
  try {
    return Intl.DateTimeFormat.supportedLocalesOf(tag).length > 0;
  } catch {
    return false;
  }
}

const utc = { timeZone: "UTC" } as const;
const day = { day: "numeric", month: "long", year: "numeric", ...utc } as const;
const month = { month: "long", year: "numeric", ...utc } as const;

const known = new Map<string, Intl.DateTimeFormat>();

/** Making a format costs far more than using it. */
function formatOf(language: string, what: "day" | "month"): Intl.DateTimeFormat {
  const key = `${what} ${language}`;
  const format = known.get(key) ?? new Intl.DateTimeFormat(language, what === "day" ? day : month);
  known.set(key, format);
  return format;
}

const asUtc = (wallTime: string): Date => new Date(`${wallTime.slice(0, 10)}T00:00:00Z`);

/** A photo's day as it is printed; `takenAt` is wall-clock time without a zone. */
export const dayWords = (takenAt: string, language: string): string => formatOf(language, "day").format(asUtc(takenAt));

/** The days from the first to the last of some photos, as short as the language says it; of two years only the months. */
export function spanWords(from: string, to: string, language: string): string {
  if (from.slice(0, 10) === to.slice(0, 10)) return dayWords(from, language);
  const what = from.slice(0, 4) === to.slice(0, 4) ? "day" : "month";
  // Days of one month stand close; thin spaces are not in every font.
  const dash = from.slice(0, 7) === to.slice(0, 7) ? "\u2013" : " \u2013 ";
  return formatOf(language, what).formatRange(asUtc(from), asUtc(to)).replace("\u2009\u2013\u2009", dash);
}
