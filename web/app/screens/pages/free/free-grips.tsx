import type { Frame } from "#core/document";
import { boundsOf, type Grip, type Handle } from "#core/edit";
import { free as words } from "../../../../text/index.ts";
import { frameOf, type PageView, placeOf } from "../page-view.ts";
import css from "./free-layer.module.css";
import type { FreePull } from "./use-pull.ts";

const handles: readonly (readonly [name: string, handle: Handle])[] = [
  ["nw", { x: -1, y: -1 }],
  ["n", { x: 0, y: -1 }],
  ["ne", { x: 1, y: -1 }],
  ["e", { x: 1, y: 0 }],
  ["se", { x: 1, y: 1 }],
  ["s", { x: 0, y: 1 }],
  ["sw", { x: -1, y: 1 }],
  ["w", { x: -1, y: 0 }],
];

interface FreeGripsProps {
  readonly view: PageView;
  readonly frames: readonly Frame[];
  readonly pull: FreePull;
}

/** Around what is chosen: its sides and corners to size it by, and above it one to turn it by; around several, corners alone. */
export function FreeGrips({ view, frames, pull }: FreeGripsProps) {
  const [only, more] = frames;
  if (!only) return null;
  const several = more !== undefined;
  const grips = (grip: Grip) => ({
    onPointerDown: (e: React.PointerEvent<HTMLElement>) => pull.grab(grip, e),
    onPointerMove: pull.drag,
    onPointerUp: pull.release,
    onPointerCancel: pull.cancel,
    onClick: (e: React.MouseEvent) => e.stopPropagation(),
  });
  return (
    <div
      aria-hidden
      className={several ? css.several : css.frame}
      style={several ? placeOf(view, boundsOf(frames)) : frameOf(view, only)}
    >
      {handles
        .filter(([, h]) => !several || (h.x !== 0 && h.y !== 0))
        .map(([name, handle]) => (
          <span
            key={name}
            title={words.sizeIt}
            className={`${css.grip} ${css[name]}`}
            data-grip={name}
            {...grips({ what: "size", handle })}
          />
        ))}
      <span title={words.turnIt} className={`${css.grip} ${css.turn}`} data-grip="turn" {...grips({ what: "turn" })} />
    </div>
  );
}
