import { barePage, frameRect, type Look, layTree, type Page, placePage, type Room } from "#core/document";
import { finishedFlow, lostAtEdges, roomFilled } from "#core/edit";
import { effectivePpi, firstFraming, sharpnessOf } from "#core/fit";
import { allSides, type Size } from "#core/geometry";
import { bleedBox, type PageFormat } from "#core/lab";
import { aspectOf, type Photo } from "#core/photo";
import { finishedPages } from "../../../pictures/finished-pages.ts";
import type { Services } from "../../services.ts";
import { openPlaced, type ProjectSession } from "../session/project-session.ts";
import { insertMade } from "./page-list.ts";

/** What a person should know of a page that was brought in. Sizes in mm. */
export type Remark =
  | { readonly code: "shape"; readonly name: string; readonly has: Size; readonly wants: Size }
  | { readonly code: "edges"; readonly name: string; readonly sidesMm: number; readonly endsMm: number }
  | { readonly code: "soft"; readonly name: string; readonly ppi: number; readonly least: number }
  | { readonly code: "bad"; readonly name: string };

/** A shape that is off by less than this is cut by less than any knife is off. */
const sameShape = 0.006;

export interface BroughtIn {
  readonly pages: number;
  /** A person has to say first where they may go. */
  readonly asked: boolean;
  readonly remarks: readonly Remark[];
  /** Bare pages of a book that the lab could bind it without. */
  readonly leftOver: readonly string[];
}

const byNumber = new Intl.Collator(undefined, { numeric: true });

/** Finished pages by the numbers in their names: into the bare pages of a book, else behind the open page; as one step. */
export async function bringFinished(
  services: Pick<Services, "library" | "viewState" | "newId">,
  session: ProjectSession,
  files: readonly File[],
  tell: (name: string) => void,
): Promise<BroughtIn> {
  const { project } = session.state.getState();
  const { format } = project;
  const pages: Page[] = [];
  const remarks: Remark[] = [];
  for (const file of [...files].sort((a, b) => byNumber.compare(a.name, b.name))) {
    tell(file.name);
    try {
      for await (const finished of finishedPages(file, format)) {
        const photo = await services.library.addHidden(finished.file);
        pages.push(wholePage(project.style, format, photo, services.newId));
        remarks.push(...remarksOn(photo, finished.sizeMm, format));
      }
    } catch {
      remarks.push({ code: "bad", name: file.name });
    }
  }
  services.library.showTaken();
  if (project.kind === "book" && pages.length > 0) {
    const { changes, pageIds, leftOver } = finishedFlow(session.state.getState().project, pages, services.newId);
    session.commit({ code: "broughtPages", count: pages.length }, changes, { byProgram: true });
    const first = pageIds[0];
    if (first !== undefined) session.goTo(first);
    return { pages: pages.length, asked: false, remarks, leftOver };
  }
  const name = { code: "broughtPages", count: pages.length } as const;
  const came = pages.length > 0 && insertMade(services, session, name, pages);
  return { pages: came ? pages.length : 0, asked: pages.length > 0 && !came, remarks, leftOver: [] };
}

const leastToldMm = 0.3;

/** A finished picture over one part of the cover (or all of it), with what its shape costs at the folds and edges. */
export async function bringOntoCover(
  services: Pick<Services, "library" | "viewState" | "newId">,
  session: ProjectSession,
  of: Room["of"],
  file: File,
): Promise<BroughtIn> {
  const before = openPlaced(session.state.getState());
  const remarks: Remark[] = [];
  let came = 0;
  try {
    for await (const finished of finishedPages(file, before.format)) {
      const photo = await services.library.addHidden(finished.file);
      const on = openPlaced(session.state.getState());
      const page = roomFilled(on, of, photo.id, services.newId);
      session.commit({ code: "broughtPages", count: 1 }, [{ type: "replacePage", page }]);
      const now = openPlaced(session.state.getState());
      const tile = now.groups.find((g) => g.group.room.of === of)?.tiles[0];
      if (tile) {
        const rect = frameRect(tile.frame);
        const lost = lostAtEdges(aspectOf(photo), rect);
        if (Math.max(lost.sidesMm, lost.endsMm) > leastToldMm)
          remarks.push({ code: "edges", name: photo.name, ...lost });
        const ppi = effectivePpi(photo, rect, firstFraming);
        if (sharpnessOf(ppi, now.format) === "soft")
          remarks.push({ code: "soft", name: photo.name, ppi: Math.round(ppi), least: now.format.leastPpi });
      }
      came += 1;
      // A part of a cover is one picture.
      break;
    }
  } catch {
    remarks.push({ code: "bad", name: file.name });
  }
  services.library.showTaken();
  return { pages: came, asked: false, remarks, leftOver: [] };
}

/** One picture over all of the page, out over the bleed. */
function wholePage(style: Look, format: PageFormat, photo: Photo, newId: () => string): Page {
  const own = {
    margin: allSides(0),
    cornerMm: 0,
    border: { ...style.border, widthMm: 0 },
    backdrop: null,
    paper: null,
  };
  const laid = layTree(placePage(barePage(newId, 1, own), format, style), {
    photos: [{ id: photo.id, aspect: aspectOf(photo) }],
    seed: 0,
    newId,
  });
  if (!laid.ok) throw new Error(laid.code);
  return laid.value.page;
}

function remarksOn(photo: Photo, sizeMm: Size | undefined, format: PageFormat): Remark[] {
  const box = bleedBox(format);
  const found: Remark[] = [];
  const aspect = aspectOf(photo);
  const off = Math.abs(Math.log(aspect / (box.w / box.h)));
  const another = sizeMm && Math.abs(Math.log(sizeMm.w / box.w)) > 0.02;
  if (off > sameShape || another) {
    const has = sizeMm ?? { w: (photo.widthPx / format.ppi) * 25.4, h: (photo.heightPx / format.ppi) * 25.4 };
    found.push({ code: "shape", name: photo.name, has, wants: { w: box.w, h: box.h } });
  }
  const ppi = effectivePpi(photo, box, firstFraming);
  if (sharpnessOf(ppi, format) === "soft")
    found.push({ code: "soft", name: photo.name, ppi: Math.round(ppi), least: format.leastPpi });
  return found;
}
