import { useEffect, useState } from "react";
import {
  busynessOf,
  type Ground,
  groundsBeside,
  type HeardPaper,
  leadingColours,
  loudnessOf,
  newPaper,
  type PaperName,
  paletteAround,
  paperDesign,
  paperFills,
  paperNames,
  papersBeside,
  type SeenColour,
} from "#core/artwork";
import { type Colour, dominantColours } from "#core/colour";
import { firstOnRight, openingsOf, type Project, photosOf } from "#core/document";
import { identity, record, traceRect } from "#core/geometry";
import { paintStep } from "../../../painters/canvas.ts";
import type { Bitmaps } from "../../../pictures/bitmaps.ts";
import { useServices } from "../../services.ts";
import { useProject } from "./hooks.ts";
import { openPage } from "./project-session.ts";

export interface GoingWith {
  readonly grounds: readonly Ground[];
  /** Each in the colours of `from` and of others that lead. */
  readonly papers: readonly {
    readonly design: PaperName;
    readonly colours: readonly Colour[];
    readonly from: SeenColour;
  }[];
  /** Of a photo that lies on another page: which. */
  readonly pageOf: (photoId: string) => number | undefined;
}

const sidePx = 40;
const mostPhotos = 16;
/** The strongest colours of each photo, and what each counts. */
const worths = [1, 0.55, 0.35, 0.2];
const mostPapers = 4;

/** Grounds and papers that go with the photos of the open page, or of the work where it has none; more come as pictures do. */
export function useGoingWith(asked: boolean): GoingWith | undefined {
  const { bitmaps } = useServices();
  const page = useProject(openPage);
  const project = useProject((s) => s.project);
  const [found, setFound] = useState<GoingWith>();
  useEffect(() => {
    if (!asked) return;
    const own = photosOf(page, project.style);
    const ids = own.length > 0 ? own : project.pages.flatMap((p) => photosOf(p, project.style));
    const seen = [...new Set(ids)].slice(0, mostPhotos);
    const look = () => setFound(goingWith(seen, new Set(own), project, bitmaps));
    look();
    return bitmaps.watch((id) => seen.includes(id) && look());
  }, [asked, page, project, bitmaps]);
  return found;
}

function goingWith(
  photoIds: readonly string[],
  here: ReadonlySet<string>,
  project: Project,
  bitmaps: Bitmaps,
): GoingWith {
  const ctx = new OffscreenCanvas(sidePx, sidePx).getContext("2d", { willReadFrequently: true });
  const seen: SeenColour[] = [];
  let [busy, pictures] = [0, 0];
  for (const photoId of photoIds) {
    const picture = bitmaps.get(photoId, sidePx);
    if (!picture || !ctx) continue;
    ctx.drawImage(picture, 0, 0, sidePx, sidePx);
    const { data } = ctx.getImageData(0, 0, sidePx, sidePx);
    busy += busynessOf(data, sidePx, sidePx);
    pictures += 1;
    for (const [i, colour] of dominantColours(data, worths.length).entries())
      seen.push({ colour, worth: worths[i]!, photoId });
  }
  const grounds = groundsBeside(seen);
  const leading = leadingColours(seen, mostPapers);
  const papers = leading.length === 0 ? [] : papersBeside(heard(), busy / pictures, mostPapers);
  return {
    grounds,
    papers: papers.map(({ design }, i) => {
      const from = leading[i % leading.length]!;
      return { design, from, colours: paletteAround(from, leading) };
    }),
    pageOf: (photoId) => (here.has(photoId) ? undefined : pageNumberOf(project, photoId)),
  };
}

function pageNumberOf(project: Project, photoId: string): number | undefined {
  const page = project.pages.find((p) => photosOf(p, project.style).includes(photoId));
  const opening =
    page && openingsOf(project.pages, firstOnRight(project)).find((o) => [o.left, o.right, o.spread].includes(page));
  if (!opening) return undefined;
  return opening.firstNumber + (opening.left && opening.right === page ? 1 : 0);
}

const heardPx = 40;
const heardMm = 40;
let papersHeard: readonly HeardPaper[] | undefined;

/** How loud each paper is, in the first colours that it would be laid in. */
function heard(): readonly HeardPaper[] {
  if (papersHeard) return papersHeard;
  const ctx = new OffscreenCanvas(heardPx, heardPx).getContext("2d", { willReadFrequently: true });
  if (!ctx) return [];
  const area = { x: 0, y: 0, w: heardMm, h: heardMm };
  const clip = record((to) => traceRect(area, to));
  papersHeard = paperNames.map((design) => {
    const paper = newPaper(design, []);
    const k = heardPx / heardMm;
    ctx.setTransform(k, 0, 0, k, 0, 0);
    const fills = paperFills(paper, area);
    paintStep(ctx, { draw: "paper", clip, ground: paper.colours[0]!, place: identity, fills }, {});
    const { data } = ctx.getImageData(0, 0, heardPx, heardPx);
    return { design, family: paperDesign(design)!.family, loudness: loudnessOf(data) };
  });
  return papersHeard;
}
