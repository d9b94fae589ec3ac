import { useEffect, useRef } from "react";
import { useViewState } from "../../state/session/hooks.ts";
import css from "./balance-layer.module.css";
import type { PageView } from "./page-view.ts";

/** What weighs most is seen this strongly. */
const mostAlpha = 150;
const markPx = 9;

/** What of the page weighs, as a veil over it; where it would rest on a finger; and numbered places for accents. */
export function BalanceLayer({ view, size }: { readonly view: PageView; readonly size: { w: number; h: number } }) {
  const balance = useViewState((s) => s.balance);
  const canvas = useRef<HTMLCanvasElement>(null);
  const map = balance?.map;
  useEffect(() => {
    const at = canvas.current;
    const ctx = at?.getContext("2d");
    if (!map || !at || !ctx) return;
    at.width = map.w;
    at.height = map.h;
    const most = map.weights.reduce((m, v) => Math.max(m, v), 1e-6);
    const image = ctx.createImageData(map.w, map.h);
    for (let i = 0; i < map.weights.length; i += 1) {
      image.data.set([23, 117, 126, Math.round(mostAlpha * (map.weights[i]! / most))], 4 * i);
    }
    ctx.putImageData(image, 0, 0);
  }, [map]);
  if (!balance) return null;
  const px = (share: number, mm: number, from: number) => (share * mm - from) * view.scale;
  const at = ({ x, y }: { readonly x: number; readonly y: number }) => ({
    left: px(x, size.w, view.box.x),
    top: px(y, size.h, view.box.y),
  });
  return (
    <div className={css.layer} data-testid="balance" aria-hidden>
      <canvas
        ref={canvas}
        className={css.veil}
        style={{ ...at({ x: 0, y: 0 }), width: size.w * view.scale, height: size.h * view.scale }}
      />
      <div className={css.middle} style={{ ...at({ x: 0.5, y: 0.5 }) }} />
      <div className={css.centre} style={{ ...at(balance.centre), width: 2 * markPx, height: 2 * markPx }} />
      {balance.places.map((p, i) => (
        <div key={`${p.x} ${p.y}`} className={css.place} style={at(p)}>
          {i + 1}
        </div>
      ))}
    </div>
  );
}
