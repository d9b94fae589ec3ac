import { useEffect, useState } from "react";
import { type Colour, dominantColours } from "#core/colour";
import { photosOf } from "#core/document";
import type { Bitmaps } from "../../../pictures/bitmaps.ts";
import { useServices } from "../../services.ts";
import { useProject } from "./hooks.ts";
import { openPage } from "./project-session.ts";

const sidePx = 40;
const mostPhotos = 24;
const mostColours = 8;

/** The colours that the photos of the open page live by; more come as their pictures do. */
export function usePhotoColours(asked: boolean): readonly Colour[] {
  const { bitmaps } = useServices();
  const page = useProject(openPage);
  const style = useProject((s) => s.project.style);
  const [colours, setColours] = useState<readonly Colour[]>([]);
  useEffect(() => {
    if (!asked) return;
    const look = () => setColours(coloursOf(photosOf(page, style).slice(0, mostPhotos), bitmaps));
    look();
    return bitmaps.watch(look);
  }, [asked, page, style, bitmaps]);
  return colours;
}

function coloursOf(photoIds: readonly string[], bitmaps: Bitmaps): Colour[] {
  const ready = photoIds.flatMap((id) => bitmaps.get(id, sidePx) ?? []);
  if (ready.length === 0) return [];
  const canvas = new OffscreenCanvas(sidePx, sidePx * ready.length);
  const ctx = canvas.getContext("2d", { willReadFrequently: true });
  if (!ctx) return [];
  for (const [i, picture] of ready.entries()) ctx.drawImage(picture, 0, i * sidePx, sidePx, sidePx);
  return dominantColours(ctx.getImageData(0, 0, canvas.width, canvas.height).data, mostColours);
}
