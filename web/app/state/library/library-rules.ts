import type { Photo } from "#core/photo";
import { StoreError } from "../../../storage/store.ts";
import { WorkerError } from "../../../workers/protocol.ts";

/** Several times what a photo of so many bytes takes on a slow machine. */
export const deadlineFor = (bytes: number): number => 20_000 + bytes / 250;

/** So long something that was removed can come back. */
export const keptRemovedDays = 30;
export const timeIsOver = (removedAt: string, now: string): boolean =>
  Date.parse(now) - Date.parse(removedAt) > keptRemovedDays * 86_400_000;

export const isDrawing = (file: File): boolean => file.type === "image/svg+xml" || /\.svg$/i.test(file.name);

export const byName = (a: Photo, b: Photo): number => names.compare(a.name, b.name);
const names = new Intl.Collator("en", { numeric: true });

export function codeOf(e: unknown): string {
  if (e instanceof WorkerError || e instanceof StoreError) return e.code;
  return e instanceof Error && "code" in e && typeof e.code === "string" ? e.code : "unreadableFile";
}
