const language = "en-GB";
const time = new Intl.DateTimeFormat(language, { hour: "2-digit", minute: "2-digit" });
const day = new Intl.DateTimeFormat(language, { day: "numeric", month: "long", year: "numeric", timeZone: "UTC" });
const month = new Intl.DateTimeFormat(language, { month: "long", year: "numeric", timeZone: "UTC" });
const moment = new Intl.DateTimeFormat(language, {
  day: "numeric",
  month: "short",
  year: "numeric",
  hour: "2-digit",
  minute: "2-digit",
  timeZone: "UTC",
});

/** 14:05, here and now. */
export const clock = (iso: string): string => time.format(new Date(iso));

/** A photo's wall-clock time: it is shown as it was where the photo was taken. */
export const takenMoment = (takenAt: string): string => moment.format(new Date(`${takenAt}Z`));
export const takenDay = (takenAt: string): string => day.format(new Date(`${takenAt.slice(0, 10)}T00:00:00Z`));

/** A month, of a day in it. */
export const takenMonth = (takenAt: string): string => month.format(new Date(`${takenAt.slice(0, 10)}T00:00:00Z`));

/** A day of this calendar, from a moment. */
export const dayHere = (iso: string): string =>
  new Intl.DateTimeFormat(language, { day: "numeric", month: "short", year: "numeric" }).format(new Date(iso));
