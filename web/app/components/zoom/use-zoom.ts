import { useEffect, useMemo, useRef, useState } from "react";
import type { Point, Size } from "#core/geometry";
import { useKeys } from "../../commands/hear.ts";
import { arrow } from "../../commands/keys.ts";
import {
  type Laid,
  laidOut,
  pannedBy,
  paperScale,
  pixelScale,
  reachesOut,
  wholeSeen,
  type Zoom,
  zoomedBy,
} from "./zoom.ts";

const stepFactor = 1.25;
/** As many wheel pixels as a usual notch has. */
const notchPx = 100;
const panStepPx = 80;

export interface Zooming {
  readonly laid: Laid | undefined;
  /** Some of it lies out of sight, so that it can be moved under the eye. */
  readonly reaches: boolean;
  /** A drag moves it, whatever it begins on. */
  readonly hand: boolean;
  readonly setHand: (hand: boolean) => void;
  readonly zoomBy: (factor: number) => void;
  readonly zoomTo: (to: NamedZoom) => void;
  /** To be told of a drag on what holds nothing else. */
  readonly grab: (e: React.PointerEvent) => void;
}

export const namedZooms = ["whole", "width", "paper", "pixels"] as const;
export type NamedZoom = (typeof namedZooms)[number];

interface ZoomTask {
  /** In mm. */
  readonly content: Size;
  readonly room: Size | undefined;
  readonly pad: Size;
  readonly ppi: number;
  /** What takes wheel, fingers and the middle button. */
  readonly element: HTMLElement | null;
  /** Two fingers mean something else at the moment: an open photo is zoomed by them. */
  readonly fingersTaken?: boolean;
}

/** How close something is looked at: by wheel with ctrl, by two fingers, by keys, and by a control; it is moved by all of these too. */
export function useZoom({ content, room, pad, ppi, element, fingersTaken = false }: ZoomTask): Zooming {
  const [zoom, setZoom] = useState<Zoom>(wholeSeen);
  const [hand, setHand] = useState(false);
  const { w, h } = content;
  const looking = useMemo(
    () => room && { content: { w, h }, room, pad, ppi, devicePixelRatio: window.devicePixelRatio },
    [w, h, room, pad, ppi],
  );
  const laid = useMemo(() => looking && laidOut(looking, zoom), [looking, zoom]);
  const now = useRef({ looking, laid, fingersTaken });
  now.current = { looking, laid, fingersTaken };
  const reaches = laid !== undefined && room !== undefined && reachesOut(laid, room);

  const acts = useMemo(() => {
    const middle = (room: Size): Point => ({ x: room.w / 2, y: room.h / 2 });
    const zoomAt = (factor: number, at?: Point) => {
      const { looking: seen, laid: lies } = now.current;
      if (seen && lies) setZoom(zoomedBy(seen, lies, factor, at ?? middle(seen.room)));
    };
    return {
      zoomAt,
      pan: (by: Point) => {
        const { looking: seen, laid: lies } = now.current;
        if (!seen || !lies || !reachesOut(lies, seen.room)) return false;
        setZoom(pannedBy(lies, seen.room, by));
        return true;
      },
      zoomBy: (factor: number) => zoomAt(factor),
      zoomTo: (to: NamedZoom) => {
        const { looking: seen } = now.current;
        if (!seen) return;
        const level = to === "paper" ? paperScale : to === "pixels" ? pixelScale(seen.ppi, seen.devicePixelRatio) : to;
        setZoom(to === "whole" ? wholeSeen : (z) => ({ ...z, level }));
      },
    };
  }, []);

  /** Follows a pointer until it is let go. */
  const follow = useMemo(
    () => (target: Element, pointerId: number, from: Point) => {
      let last = from;
      const move = (e: Event) => {
        const { clientX: x, clientY: y } = e as PointerEvent;
        acts.pan({ x: x - last.x, y: y - last.y });
        last = { x, y };
      };
      const end = () => {
        target.removeEventListener("pointermove", move);
        target.removeEventListener("pointerup", end);
        target.removeEventListener("pointercancel", end);
      };
      target.setPointerCapture(pointerId);
      target.addEventListener("pointermove", move);
      target.addEventListener("pointerup", end);
      target.addEventListener("pointercancel", end);
    },
    [acts],
  );

  useEffect(() => {
    if (!element) return;
    const at = (e: { readonly clientX: number; readonly clientY: number }): Point => {
      const box = element.getBoundingClientRect();
      return { x: e.clientX - box.left, y: e.clientY - box.top };
    };
    const wheel = (e: WheelEvent) => {
      // An open photo takes the wheel for itself.
      if (e.defaultPrevented) return;
      if (e.ctrlKey || e.metaKey) {
        e.preventDefault();
        acts.zoomAt(stepFactor ** -Math.max(-3, Math.min(3, e.deltaY / notchPx)), at(e));
      } else if (acts.pan({ x: -e.deltaX, y: -e.deltaY })) e.preventDefault();
    };
    let fingers: readonly [Point, Point] | undefined;
    const both = (e: TouchEvent): readonly [Point, Point] | undefined =>
      e.touches.length === 2 ? [at(e.touches[0]!), at(e.touches[1]!)] : undefined;
    const touch = (e: TouchEvent) => {
      fingers = now.current.fingersTaken ? undefined : both(e);
    };
    const pinch = (e: TouchEvent) => {
      const next = both(e);
      if (!fingers || !next) return;
      e.preventDefault();
      const far = ([a, b]: readonly [Point, Point]) => Math.max(1, Math.hypot(a.x - b.x, a.y - b.y));
      const mid = ([a, b]: readonly [Point, Point]): Point => ({ x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 });
      const [was, is] = [mid(fingers), mid(next)];
      const { looking: seen, laid: lies } = now.current;
      if (seen && lies) {
        const closer = zoomedBy(seen, lies, far(next) / far(fingers), was);
        setZoom(pannedBy(laidOut(seen, closer), seen.room, { x: is.x - was.x, y: is.y - was.y }));
      }
      fingers = next;
    };
    const middleButton = (e: PointerEvent) => {
      if (e.button !== 1) return;
      e.preventDefault();
      e.stopPropagation();
      follow(element, e.pointerId, { x: e.clientX, y: e.clientY });
    };
    // The browser scrolls to what takes the focus; that is moved as by hand, so that one thing says where the page lies.
    const scrolled = () => {
      const by = { x: -element.scrollLeft, y: -element.scrollTop };
      if (by.x === 0 && by.y === 0) return;
      element.scrollTo(0, 0);
      acts.pan(by);
    };
    element.addEventListener("scroll", scrolled);
    element.addEventListener("wheel", wheel, { passive: false });
    element.addEventListener("touchstart", touch, { passive: true });
    element.addEventListener("touchmove", pinch, { passive: false });
    element.addEventListener("pointerdown", middleButton, { capture: true });
    return () => {
      element.removeEventListener("scroll", scrolled);
      element.removeEventListener("wheel", wheel);
      element.removeEventListener("touchstart", touch);
      element.removeEventListener("touchmove", pinch);
      element.removeEventListener("pointerdown", middleButton, { capture: true });
    };
  }, [element, acts, follow]);

  useKeys("zoom", {
    closer: () => acts.zoomBy(stepFactor),
    further: () => acts.zoomBy(1 / stepFactor),
    whole: () => acts.zoomTo("whole"),
    width: () => acts.zoomTo("width"),
    paper: () => acts.zoomTo("paper"),
    pixels: () => acts.zoomTo("pixels"),
    move: (e) => {
      const { x, y } = arrow(e, panStepPx);
      return acts.pan({ x: -x, y: -y });
    },
    hand: () => reaches && setHand(!hand),
  });

  const { zoomBy, zoomTo } = acts;
  // The same object until something of it changes: the control is not drawn again with every change of the page.
  return useMemo(
    () => ({
      laid,
      reaches,
      hand: hand && reaches,
      setHand,
      zoomBy,
      zoomTo,
      grab: (e) => {
        const holdsItself = e.target instanceof Element && e.target.closest("button, a, input") !== null;
        if (reaches && !holdsItself && e.button === 0 && e.pointerType !== "touch")
          follow(e.currentTarget, e.pointerId, { x: e.clientX, y: e.clientY });
      },
    }),
    [laid, reaches, hand, zoomBy, zoomTo, follow],
  );
}
