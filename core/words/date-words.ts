const day = new Intl.DateTimeFormat("en-GB", { day: "numeric", month: "long", year: "numeric", timeZone: "UTC" });
const month = new Intl.DateTimeFormat("en-GB", { month: "long", year: "numeric", timeZone: "UTC" });
const dayOnly = new Intl.DateTimeFormat("en-GB", { day: "numeric", month: "long", timeZone: "UTC" });

const asUtc = (wallTime: string): Date => new Date(`${wallTime.slice(0, 10)}T00:00:00Z`);

/** A photo's day as it is printed; `takenAt` is wall-clock time without a zone. */
export const dayWords = (takenAt: string): string => day.format(asUtc(takenAt));

/** The days from the first to the last of some photos, as short as it can be said. */
export function spanWords(from: string, to: string): string {
  if (from.slice(0, 10) === to.slice(0, 10)) return dayWords(from);
  if (from.slice(0, 7) === to.slice(0, 7)) return `${asUtc(from).getUTCDate()}\u2013${dayWords(to)}`;
  if (from.slice(0, 4) === to.slice(0, 4)) return `${dayOnly.format(asUtc(from))} \u2013 ${dayWords(to)}`;
  return `${month.format(asUtc(from))} \u2013 ${month.format(asUtc(to))}`;
}
