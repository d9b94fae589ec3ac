import { mmPerInch } from "#core/units";

export const mmOfPt = (pt: number): number => (pt * mmPerInch) / 72;
