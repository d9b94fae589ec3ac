import type { Photo } from "./facts.ts";
import type { Focus } from "./focus.ts";
import { sections, timeSources } from "./sources.ts";

type Check<T> = { readonly [K in keyof T]-?: (value: T[K]) => boolean };

const isText = (most: number) => (v: unknown) => typeof v === "string" && v.length <= most;
const isCount = (v: unknown) => Number.isSafeInteger(v) && (v as number) >= 0;
const isSide = (v: unknown) => isCount(v) && v !== 0;
const isShare = (v: unknown) => typeof v === "number" && v >= 0 && v <= 1;
const isFlag = (v: unknown) => typeof v === "boolean";
const isRecord = (v: unknown): v is Record<string, unknown> => typeof v === "object" && v !== null;
const fits = (pattern: RegExp) => (v: unknown) => typeof v === "string" && pattern.test(v);
const isWallTime = fits(/^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(\.\d{3})?$/);
const isSource = (v: unknown) => (timeSources as readonly unknown[]).includes(v);
const isLook = fits(/^[0-9a-f]{16}$/);
const isTint = fits(/^[0-9a-f]{6}$/);

function isFocus(v: Focus | null): boolean {
  if (v === null) return true;
  if (!isRecord(v) || !Array.isArray(v.faces) || !isRecord(v.point)) return false;
  const whole = v.faces.every((f) => isRecord(f) && [f.x, f.y, f.w, f.h].every(isShare));
  return whole && v.faces.length <= 100 && isShare(v.point.x) && isShare(v.point.y) && isMaker(v.from);
}
const isMaker = (v: unknown) => v === "faces" || v === "interest" || v === "you";

const checks: Check<Photo> = {
  id: (v) => isText(64)(v) && v !== "",
  section: (v) => (sections as readonly unknown[]).includes(v),
  name: isText(512),
  type: isText(64),
  sizeBytes: isCount,
  hash: fits(/^[0-9a-f]{64}$/),
  widthPx: isSide,
  heightPx: isSide,
  takenAt: isWallTime,
  takenFrom: isSource,
  offsetMinutes: (v) => v === null || Number.isSafeInteger(v),
  foundTime: (v) => v === null || (isRecord(v) && isWallTime(v.takenAt) && isSource(v.takenFrom)),
  camera: isText(200),
  caption: isText(4000),
  stars: (v) => isCount(v) && v <= 5,
  hidden: isFlag,
  removed: isFlag,
  removedAt: (v) => v === undefined || isText(64)(v),
  likeness: (v) =>
    v === null || (isRecord(v) && isLook(v.look) && isTint(v.tint) && Number.isFinite(v.detail) && v.detail >= 0),
  focus: isFocus,
  pile: (v) => v === "auto" || v === "alone" || v === "top",
  addedAt: isText(64),
};
const fields = Object.entries(checks) as readonly [string, (value: unknown) => boolean][];

/**
 * Whether a record from storage is a photo with nothing missing: what `photoSchema` would say of it, a hundred times
 * quicker, so that a library of thousands opens at once. What fails here may still be an older record; ask the schema.
 */
export const isWholePhoto = (record: unknown): record is Photo =>
  isRecord(record) && fields.every(([name, passes]) => passes(record[name]));
