import {
  type Framing,
  firstFramingFor,
  firstFramingIn,
  type PhotoShape,
  type ShapeHolds,
  sliceFraming,
} from "#core/fit";
import { centreOf, type Rect, type Sides } from "#core/geometry";
import { type PageFormat, safeBox } from "#core/lab";
import { outlineOf } from "#core/outlines";
import { type Border, type Frame, frameRect, type Outline, type Tile, type View } from "./page.ts";
import { pictureRect } from "./picture-rect.ts";

/** How a tile looks at its photo: as a person framed it, else by the photo's focus, with heads inside its outline as far as that can be. */
export function framingOf(view: View, photo: PhotoShape, tile: FramedTile, format: PageFormat): Framing {
  if (tile.through && tile.tile?.through)
    return sliceFraming(photo.aspect, tile.through, tile.tile.through.view, tile.frame);
  if (view.byHand) return view;
  const { outline, border } = tile;
  const frame = border?.footMm === undefined ? tile.frame : framed(pictureRect({ frame: tile.frame, border }));
  const size = { w: frame.width, h: frame.height };
  const lost = lostSides(frame, format);
  if (!outline || outline.kind === "rectangle" || !photo.focus?.faces.length) return firstFramingFor(photo, size, lost);
  return remembered(outline, photo, frame, format, () => firstFramingIn(photo, size, lost, holdsIn(outline, frame)));
}

/** What framing has to know of a tile. */
interface FramedTile {
  readonly frame: Frame;
  readonly outline?: Outline;
  readonly border?: Border;
  readonly through?: Rect | undefined;
  readonly tile?: Pick<Tile, "through">;
}

const framed = (r: Rect): Frame => ({ centre: centreOf(r), width: r.w, height: r.h, turn: 0 });

const holdsIn = (outline: Outline, { width, height }: Frame): ShapeHolds => {
  const whole = { x: 0, y: 0, w: width, h: height };
  const deeds = outlineOf(outline);
  return ({ x, y }) => deeds.holds({ whole, seen: whole, cornerMm: 0 }, { x: x * width, y: y * height });
};

interface Known {
  readonly photo: PhotoShape["focus"];
  readonly frame: Frame;
  readonly format: PageFormat;
  readonly framing: Framing;
}
const known = new WeakMap<Outline, Known>();

/** Hundreds of points are looked at for one framing, and a page is painted over and over while a hand is on it. */
function remembered(
  outline: Outline,
  photo: PhotoShape,
  frame: Frame,
  format: PageFormat,
  find: () => Framing,
): Framing {
  const was = known.get(outline);
  if (was && was.photo === photo.focus && was.frame === frame && was.format === format) return was.framing;
  const framing = find();
  known.set(outline, { photo: photo.focus, frame, format, framing });
  return framing;
}

/** What of a tile lies outside the safe area, in mm on each side. */
function lostSides(frame: Frame, format: PageFormat): Sides {
  const r = frameRect(frame);
  const safe = safeBox(format);
  return {
    left: Math.max(0, safe.x - r.x),
    top: Math.max(0, safe.y - r.y),
    right: Math.max(0, r.x + r.w - (safe.x + safe.w)),
    bottom: Math.max(0, r.y + r.h - (safe.y + safe.h)),
  };
}
