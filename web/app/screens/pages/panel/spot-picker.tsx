import { Box, Portal, Text } from "@chakra-ui/react";
import { useEffect, useLayoutEffect, useRef, useState } from "react";
import { type Colour, meanColour } from "#core/colour";
import { clamp, type Point } from "#core/geometry";
import { words } from "../../../../text/index.ts";
import { hears } from "../../../commands/hear.ts";
import { direction, type Pressed } from "../../../commands/keys.ts";
import { openSheet } from "../open-sheet.ts";
import css from "./spot-picker.module.css";

interface SpotPickerProps {
  readonly onTake: (colour: Colour) => void;
  readonly onClose: () => void;
}

/** What the glass shows across, in the page's own pixels on screen, and the part of it that is taken. */
const seenPx = 13;
const takenPx = 5;
const glassPx = 130;
const farPx = 10;

/** A magnifying glass over the page: the mean of a small area around a spot, by pointer or by keys. */
export function SpotPicker({ onTake, onClose }: SpotPickerProps) {
  const cover = useRef<HTMLDivElement>(null);
  const glass = useRef<HTMLCanvasElement>(null);
  const [at, setAt] = useState<Point>(middleOfSheet);
  const [colour, setColour] = useState<Colour>();
  useEffect(() => cover.current?.focus(), []);
  // Before the next key: what the glass says is what is taken.
  useLayoutEffect(() => {
    const ctx = glass.current?.getContext("2d");
    if (ctx) setColour(look(at, ctx));
  }, [at]);
  const take = () => {
    if (colour) onTake(colour);
    onClose();
  };
  const moved = (by: number) => (e: Pressed) => {
    const way = direction(e);
    setAt((was) => ({
      x: clamp(was.x + by * way.x, 0, window.innerWidth - 1),
      y: clamp(was.y + by * way.y, 0, window.innerHeight - 1),
    }));
  };
  // Beside the spot, on the side where there is room.
  const left = at.x + glassPx + 40 < window.innerWidth ? at.x + 24 : at.x - glassPx - 24;
  const top = clamp(at.y - glassPx / 2, 8, window.innerHeight - glassPx - 44);
  return (
    <Portal>
      <div
        ref={cover}
        className={css.cover}
        role="application"
        // biome-ignore lint/a11y/noNoninteractiveTabindex: it hears keys
        tabIndex={0}
        aria-label={words.spotHelp}
        // What was open before gives its focus back to what opened it, a moment later.
        onBlur={({ currentTarget }) => requestAnimationFrame(() => currentTarget.focus())}
        onPointerMove={(e) => setAt({ x: e.clientX, y: e.clientY })}
        onClick={take}
        onKeyDown={hears("spot", { move: moved(1), moveFar: moved(farPx), take, letGo: onClose })}
      >
        <Box
          position="fixed"
          pointerEvents="none"
          bg="oat.25"
          borderRadius="card"
          boxShadow="lifted"
          p="1.5"
          style={{ left, top }}
        >
          <canvas ref={glass} width={glassPx} height={glassPx} className={css.glass} />
          <Text role="status" fontSize="13.5px" textAlign="center" mt="1" fontVariantNumeric="tabular-nums">
            {colour ?? words.noSpot}
          </Text>
        </Box>
      </div>
    </Portal>
  );
}

function middleOfSheet(): Point {
  const r = openSheet.rect();
  return r ? { x: r.left + r.width / 2, y: r.top + r.height / 2 } : { x: 0, y: 0 };
}

/** Draws what lies around a point of the screen, and gives the mean of its middle; nothing beside the page. */
function look({ x, y }: Point, ctx: CanvasRenderingContext2D): Colour | undefined {
  const page = openSheet.canvas();
  ctx.fillStyle = "#e4ddd0";
  ctx.fillRect(0, 0, glassPx, glassPx);
  const r = page?.getBoundingClientRect();
  if (!page || !r || x < r.left || y < r.top || x >= r.right || y >= r.bottom) return undefined;
  const px = Math.floor(((x - r.left) * page.width) / r.width);
  const py = Math.floor(((y - r.top) * page.height) / r.height);
  const from = (seenPx - 1) / 2;
  const k = glassPx / seenPx;
  ctx.imageSmoothingEnabled = false;
  ctx.drawImage(page, px - from, py - from, seenPx, seenPx, 0, 0, glassPx, glassPx);
  const area = new OffscreenCanvas(takenPx, takenPx).getContext("2d");
  const half = (takenPx - 1) / 2;
  area?.drawImage(page, px - half, py - half, takenPx, takenPx, 0, 0, takenPx, takenPx);
  const side = takenPx * k;
  for (const [colour, width] of [
    ["#1c2320", 3],
    ["#ffffff", 1.2],
  ] as const) {
    ctx.strokeStyle = colour;
    ctx.lineWidth = width;
    ctx.strokeRect((glassPx - side) / 2, (glassPx - side) / 2, side, side);
  }
  return area ? meanColour(area.getImageData(0, 0, takenPx, takenPx).data) : undefined;
}
