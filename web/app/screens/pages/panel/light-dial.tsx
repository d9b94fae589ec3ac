import { useRef, useState } from "react";
import type { Light } from "#core/document";
import { dress as words } from "../../../../text/index.ts";
import { Bead } from "../../../components/panel-parts.tsx";
import css from "./light-dial.module.css";

interface LightDialProps {
  readonly light: Light;
  readonly onShow: (light: Light) => void;
  readonly onKeep: (light: Light) => void;
}

/** The light stands at the rim when it is low and in the middle when it is high. */
const [lowDeg, highDeg] = [15, 85];
const stepDeg = 5;

/** Where the light of the whole work comes from: a lamp to be dragged around a sheet, or two sliders. */
export function LightDial({ light, onShow, onKeep }: LightDialProps) {
  const pad = useRef<HTMLDivElement>(null);
  const [dragged, setDragged] = useState<Light>();
  const { fromDeg, heightDeg } = dragged ?? light;
  const far = (highDeg - heightDeg) / (highDeg - lowDeg);
  const from = (fromDeg * Math.PI) / 180;
  const lightAt = (e: React.PointerEvent): Light => {
    const box = pad.current!.getBoundingClientRect();
    const x = (2 * (e.clientX - box.left)) / box.width - 1;
    const y = (2 * (e.clientY - box.top)) / box.height - 1;
    const round = (Math.round((Math.atan2(x, -y) * 180) / Math.PI / stepDeg) * stepDeg + 360) % 360;
    const height = highDeg - Math.min(1, Math.hypot(x, y)) * (highDeg - lowDeg);
    return { fromDeg: round, heightDeg: Math.round(height) };
  };
  const move = (e: React.PointerEvent) => {
    const next = lightAt(e);
    setDragged(next);
    onShow(next);
  };
  const slider = (label: string, key: keyof Light, least: number, most: number) => (
    <Bead
      label={label}
      least={least}
      value={light[key]}
      most={most}
      step={stepDeg}
      onMove={(v) => onShow({ ...light, [key]: v })}
      onEnd={(v) => onKeep({ ...light, [key]: v })}
    />
  );
  return (
    <div className={css.row}>
      <div
        ref={pad}
        className={css.pad}
        data-light=""
        onPointerDown={(e) => {
          e.currentTarget.setPointerCapture(e.pointerId);
          move(e);
        }}
        onPointerMove={(e) => {
          if (dragged) move(e);
        }}
        onPointerUp={(e) => {
          if (!dragged) return;
          setDragged(undefined);
          onKeep(lightAt(e));
        }}
      >
        <span
          className={css.sheet}
          style={{ translate: `${-5 * far * Math.sin(from)}px ${5 * far * Math.cos(from)}px` }}
        />
        <span className={css.paper} />
        <span
          className={css.lamp}
          style={{ left: `${50 + 50 * far * Math.sin(from)}%`, top: `${50 - 50 * far * Math.cos(from)}%` }}
        />
      </div>
      <div className={css.words}>
        {words.light}
        <br />
        {words.lightFrom(fromDeg, heightDeg)}
        {slider(words.lightRound, "fromDeg", 0, 355)}
        {slider(words.lightHeight, "heightDeg", lowDeg, highDeg)}
      </div>
    </div>
  );
}
