import type { PreviewSize } from "../storage/store.ts";

/** The longer side of each preview; smaller photos are not enlarged. */
export const previewLongPx: Readonly<Record<PreviewSize, number>> = { small: 400, large: 1600 };
