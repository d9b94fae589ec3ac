const two = (v: string | undefined) => (v ?? "0").padStart(2, "0");

/** ISO wall time from its parts, or undefined for a day or an hour that no calendar has. */
function wallTime(parts: readonly (string | undefined)[], subSec = ""): string | undefined {
  const [y, mo, d, h, mi, s] = parts;
  const iso = `${y}-${two(mo)}-${two(d)}T${two(h)}:${two(mi)}:${two(s)}`;
  const read = new Date(`${iso}Z`);
  if (Number.isNaN(read.getTime()) || !read.toISOString().startsWith(iso) || Number(y) <= 1800) return undefined;
  // Sub-seconds are digits after a point: "5" is half a second, and cameras close them with spaces.
  const ms = /^\d+/.exec(subSec)?.[0].slice(0, 3).padEnd(3, "0") ?? "000";
  return ms === "000" ? iso : `${iso}.${ms}`;
}

/**
 * EXIF's `2026:05:03 17:04:59` and XMP's ISO form, as ISO wall time. Cameras without a set clock write zeros or spaces,
 * and some files hold days that no calendar has: those are undefined.
 */
export function takenAtFromTag(text: unknown, subSec?: unknown): string | undefined {
  if (typeof text !== "string") return undefined;
  const m = /^(\d{4})[:-](\d\d)[:-](\d\d)[ T](\d\d):(\d\d)(?::(\d\d)(?:\.(\d+))?)?/.exec(text.trim());
  return m ? wallTime(m.slice(1, 7), typeof subSec === "string" ? subSec : m[7]) : undefined;
}

/** `+02:00` as minutes; EXIF's OffsetTime tags. */
export function offsetFromTag(text: unknown): number | null {
  const m = typeof text === "string" ? /^([+-])(\d\d):(\d\d)/.exec(text.trim()) : null;
  const minutes = m ? Number(m[2]) * 60 + Number(m[3]) : Number.NaN;
  return m && minutes <= 14 * 60 ? (m[1] === "-" ? -minutes : minutes) : null;
}

/**
 * The date that a file's name carries: `IMG_20250322_101530.jpg`, `2025-03-22 10.15.30.png`, `VID-20250322-0007.mp4`.
 * A day alone is taken as its noon.
 */
export function takenAtFromName(name: string): string | undefined {
  const day = /(?<!\d)((?:19|20)\d\d)[-_.]?(0[1-9]|1[0-2])[-_.]?(0[1-9]|[12]\d|3[01])(?!\d)/;
  const moment = new RegExp(
    `${day.source.replace("(?!\\d)", "")}[-_ T.]{0,3}(?:at )?([01]\\d|2[0-3])[-_.:h]?([0-5]\\d)[-_.:m]?([0-5]\\d)(\\d{3})?(?!\\d)`,
  );
  const m = moment.exec(name);
  if (m) return wallTime(m.slice(1, 7), m[7]);
  const d = day.exec(name);
  return d ? wallTime([...d.slice(1, 4), "12"]) : undefined;
}

/** A moment as wall-clock time at `offsetMinutes` east of Greenwich. */
export const wallClock = (epochMs: number, offsetMinutes: number): string =>
  new Date(epochMs + offsetMinutes * 60_000).toISOString().slice(0, 19);

/** A wall time as milliseconds on one common scale, to take differences of. */
export const wallMs = (takenAt: string): number => Date.parse(`${takenAt}Z`);

/** The time moved by so many minutes; sub-seconds stay. Undefined when it leaves the years that a photo can have. */
export function shifted(takenAt: string, minutes: number): string | undefined {
  const moved = new Date(wallMs(takenAt) + minutes * 60_000);
  const year = moved.getUTCFullYear();
  if (!(year >= 1801 && year <= 9998)) return undefined;
  const iso = moved.toISOString();
  return iso.endsWith(".000Z") ? iso.slice(0, 19) : iso.slice(0, 23);
}
