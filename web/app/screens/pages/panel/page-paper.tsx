import type { Look, StepCode } from "#core/document";
import { bleedBox, type PageFormat } from "#core/lab";
import type { Unit } from "#core/units";
import { PaperRows } from "./paper-rows.tsx";

interface PagePaperProps {
  readonly look: Look;
  readonly unit: Unit;
  readonly format: PageFormat;
  readonly onShow: (look: Look) => void;
  readonly onKeep: (code: StepCode, look: Look) => void;
}

/** The paper over all of a page, under what lies on it. */
export function PagePaper({ look, unit, format, onShow, onKeep }: PagePaperProps) {
  if (!look.paper) return null;
  return (
    <PaperRows
      paper={look.paper}
      fills={bleedBox(format)}
      unit={unit}
      format={format}
      onShow={(paper) => onShow({ ...look, paper })}
      onKeep={(paper) => onKeep(paper ? "changedPaper" : "laidPaper", { ...look, paper: paper ?? null })}
    />
  );
}
