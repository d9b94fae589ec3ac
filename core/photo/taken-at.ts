/**
 * EXIF's `2026:05:03 17:04:59` as `2026-05-03T17:04:59`. Cameras without a set clock write zeros or spaces, and some
 * files hold days that no calendar has: those are undefined.
 */
export function takenAtFromExif(text: unknown): string | undefined {
  if (typeof text !== "string") return undefined;
  const m = /^(\d{4})[:-](\d\d)[:-](\d\d)[ T](\d\d):(\d\d):(\d\d)/.exec(text.trim());
  if (!m) return undefined;
  const iso = `${m[1]}-${m[2]}-${m[3]}T${m[4]}:${m[5]}:${m[6]}`;
  const read = new Date(`${iso}Z`);
  return !Number.isNaN(read.getTime()) && read.toISOString().startsWith(iso) && Number(m[1]) > 1800 ? iso : undefined;
}

/** A moment as wall-clock time at `offsetMinutes` east of Greenwich. */
export const wallClock = (epochMs: number, offsetMinutes: number): string =>
  new Date(epochMs + offsetMinutes * 60_000).toISOString().slice(0, 19);
