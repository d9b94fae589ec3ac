import type { PageFormat } from "#core/lab";
import { mmPerInch } from "#core/units";

/** Below this many pixels along its longer side a photo prints soft when it fills the page. */
export const softBelowPx = (format: PageFormat): number =>
  Math.ceil((Math.max(format.widthMm, format.heightMm) / mmPerInch) * format.leastPpi);
