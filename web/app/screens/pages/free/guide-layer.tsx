import { type PointerEvent, useRef } from "react";
import { type Aid, aidLines, type Guide, guideAdded, guideMoved, guideRemoved } from "#core/edit";
import { formatLength } from "#core/units";
import { free as words } from "../../../../text/index.ts";
import { hears } from "../../../commands/hear.ts";
import { direction, type Pressed } from "../../../commands/keys.ts";
import { useServices } from "../../../services.ts";
import { keep, show } from "../../../state/edit/tree-gestures.ts";
import { shownPage, useProject, useSession, useViewState } from "../../../state/session/hooks.ts";
import { openPlaced } from "../../../state/session/project-session.ts";
import { nothingChosen } from "../../../state/view-state/choose.ts";
import type { PageView } from "../page-view.ts";
import css from "./guide-layer.module.css";

type Axis = Guide["axis"];
const axes = ["x", "y"] as const;
const stepMm = { plain: 1, fine: 0.1, far: 10 };

/** Lines to lay things by: moved by hand and by key, dragged off the page to remove them, and new ones out of the page's edges. */
export function GuideLayer({ view }: { readonly view: PageView }) {
  const session = useSession();
  const { viewState } = useServices();
  const aid = useViewState((s) => s.aid);
  const guides = useProject((s) => shownPage(s).guides);
  const { format, unit } = useProject((s) => s.project);
  const held = useRef<{ readonly at: number | undefined; readonly axis: Axis }>(undefined);
  const most = (axis: Axis) => {
    const { format: of } = openPlaced(session.state.getState());
    return axis === "x" ? of.widthMm : of.heightMm;
  };
  const mmAt = (axis: Axis, e: PointerEvent<HTMLElement>): number => {
    const r = e.currentTarget.parentElement!.getBoundingClientRect();
    return (axis === "x" ? e.clientX - r.left : e.clientY - r.top) / view.scale + view.box[axis];
  };
  const edit = (at: number | undefined, axis: Axis, mm: number) => (on: ReturnType<typeof openPlaced>) =>
    at === undefined
      ? mm >= 0 && mm <= most(axis)
        ? guideAdded(on.page, { axis, mm })
        : on.page
      : guideMoved(on.page, at, mm, most(axis));
  const grab = (at: number | undefined, axis: Axis) => (e: PointerEvent<HTMLElement>) => {
    if (e.button !== 0) return;
    e.stopPropagation();
    e.currentTarget.setPointerCapture(e.pointerId);
    held.current = { at, axis };
  };
  const drag = (e: PointerEvent<HTMLElement>) => {
    const h = held.current;
    if (!h) return;
    const mm = mmAt(h.axis, e);
    // One that is dragged off stays at the edge while it is held: gone, it could not be let go of.
    show(session, edit(h.at, h.axis, h.at === undefined ? mm : Math.min(most(h.axis), Math.max(0, mm))));
  };
  const release = (e: PointerEvent<HTMLElement>) => {
    const h = held.current;
    held.current = undefined;
    if (!h) return;
    const mm = mmAt(h.axis, e);
    // A plain press beside the page lets go of what is chosen, as anywhere on the mat.
    if (h.at === undefined && mm < 0 && !e.shiftKey)
      viewState.setState({ tiles: nothingChosen, reframing: undefined, writing: undefined });
    const gone = h.at !== undefined && (mm < 0 || mm > most(h.axis));
    keep(session, h.at === undefined ? "laidGuide" : gone ? "removedGuide" : "movedGuide", 1, edit(h.at, h.axis, mm));
  };
  const cancel = () => {
    held.current = undefined;
    session.dropPreview();
  };
  const keysOf = (i: number, axis: Axis, mm: number) => {
    const move = (byMm: number) => (e: Pressed) => {
      const { x, y } = direction(e);
      const to = Math.min(most(axis), Math.max(0, mm + (x + y) * byMm));
      keep(session, "movedGuide", 1, (on) => guideMoved(on.page, i, to, most(axis)), `guide-${i}`);
    };
    return hears("guide", {
      move: move(stepMm.plain),
      moveFar: move(stepMm.far),
      moveFine: move(stepMm.fine),
      takeOff: () => keep(session, "removedGuide", 1, (on) => guideRemoved(on.page, i)),
    });
  };
  const hands = { onPointerMove: drag, onPointerUp: release, onPointerCancel: cancel };
  return (
    <div className={css.layer}>
      {axes.map((axis) => (
        <div
          key={axis}
          className={axis === "x" ? css.fromLeft : css.fromTop}
          title={words.guideOut}
          data-guide-from={axis}
          onPointerDown={grab(undefined, axis)}
          {...hands}
        />
      ))}
      <Composed aid={aid} view={view} />
      {(guides ?? []).map(({ axis, mm }, i) => (
        // biome-ignore lint/a11y/useSemanticElements: a line on a page that is moved is no rule between texts
        <div
          // biome-ignore lint/suspicious/noArrayIndexKey: a line has nothing but its place
          key={i}
          role="separator"
          aria-orientation={axis === "x" ? "vertical" : "horizontal"}
          aria-label={words.guide(i + 1, formatLength(mm, unit, format.ppi))}
          aria-valuenow={mm}
          aria-valuemin={0}
          aria-valuemax={most(axis)}
          tabIndex={0}
          className={axis === "x" ? css.upright : css.level}
          style={{ [axis === "x" ? "left" : "top"]: (mm - view.box[axis]) * view.scale }}
          onPointerDown={grab(i, axis)}
          {...hands}
          onKeyDown={keysOf(i, axis, mm)}
        />
      ))}
    </div>
  );
}

/** Thirds, or the largest circle, over the page. */
function Composed({ aid, view }: { readonly aid: Aid; readonly view: PageView }) {
  const { widthMm: w, heightMm: h } = useProject((s) => openPlaced(s).format);
  if (aid === "none") return null;
  const { x, y, w: boxW, h: boxH } = view.box;
  return (
    <svg className={css.aid} viewBox={`${x} ${y} ${boxW} ${boxH}`} data-aid={aid} aria-hidden>
      {aid === "circle" && <circle cx={w / 2} cy={h / 2} r={Math.min(w, h) / 2} vectorEffect="non-scaling-stroke" />}
      {aidLines(aid, { w, h }).map(({ axis, mm }) => (
        <path
          key={`${axis}${mm}`}
          d={axis === "x" ? `M${mm} 0V${h}` : `M0 ${mm}H${w}`}
          vectorEffect="non-scaling-stroke"
        />
      ))}
    </svg>
  );
}
