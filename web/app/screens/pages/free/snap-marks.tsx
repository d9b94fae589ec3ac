import type { CSSProperties } from "react";
import { boundsOf, type EqualGaps, type Pulled, type SnapLine } from "#core/edit";
import { formatLength, type Unit } from "#core/units";
import { formats, free as words } from "../../../../text/index.ts";
import type { PageView } from "../page-view.ts";
import css from "./snap-marks.module.css";

interface SnapMarksProps {
  readonly view: PageView;
  readonly now: Pulled;
  readonly unit: Unit;
  readonly ppi: number;
}

/** While a hand is on something: the lines that it lies on, gaps that are the same, and how large it is and where. */
export function SnapMarks({ view, now, unit, ppi }: SnapMarksProps) {
  const length = (mm: number) => formatLength(mm, unit, ppi);
  const frames = [...now.frames.values()];
  const r = boundsOf(frames);
  const [only, more] = frames;
  const turn = only && !more && only.turn !== 0 ? ` · ${formats.number(only.turn, 1)}°` : "";
  const foot = at(view, "y", r.y + r.h);
  return (
    <div className={css.marks} aria-hidden>
      {now.lines.map((l) => (
        <Line key={`${l.axis}${l.at}`} line={l} view={view} />
      ))}
      {now.gaps.map((g) => (
        <Gaps key={`${g.axis}${g.gapMm}`} gaps={g} view={view} label={length(g.gapMm)} />
      ))}
      <span className={css.measure} style={{ left: at(view, "x", r.x + r.w / 2), top: foot + 10 }}>
        <span>
          {words.measures(
            length(r.x),
            length(r.y),
            `${length(only && !more ? only.width : r.w)} × ${length(only && !more ? only.height : r.h)}`,
          )}
          {turn}
        </span>
      </span>
    </div>
  );
}

const at = (view: PageView, axis: "x" | "y", mm: number): number => (mm - view.box[axis]) * view.scale;

function Line({ line, view }: { readonly line: SnapLine; readonly view: PageView }) {
  const place = at(view, line.axis, line.at);
  const [from, to] = [line.from, line.to].map((mm) => at(view, line.axis === "x" ? "y" : "x", mm)) as [number, number];
  const style: CSSProperties =
    line.axis === "x"
      ? { left: place, top: from - 8, width: 0, height: to - from + 16 }
      : { top: place, left: from - 8, height: 0, width: to - from + 16 };
  return (
    <span className={line.axis === "x" ? css.upright : css.level} style={style}>
      {words.snaps[line.kind] && <span className={css.name}>{words.snaps[line.kind]}</span>}
    </span>
  );
}

function Gaps({ gaps, view, label }: { readonly gaps: EqualGaps; readonly view: PageView; readonly label: string }) {
  return gaps.gaps.map(({ from, to, across }) => {
    const [start, end] = [at(view, gaps.axis, from), at(view, gaps.axis, to)];
    const level = at(view, gaps.axis === "x" ? "y" : "x", across);
    const style: CSSProperties =
      gaps.axis === "x"
        ? { left: start, top: level, width: end - start, height: 0 }
        : { top: start, left: level, height: end - start, width: 0 };
    return (
      <span key={from} className={gaps.axis === "x" ? css.level : css.upright} style={style}>
        <span className={css.name}>{label}</span>
      </span>
    );
  });
}
