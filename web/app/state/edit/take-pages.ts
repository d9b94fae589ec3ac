import { type PageNote, pagesAsDrawn } from "#core/document";
import { type DrawnShapes, photoAttribute, type SvgElement } from "#core/drawings";
import type { ReadDrawing } from "../../../pictures/read-svg.ts";
import { drawings as words } from "../../../text/index.ts";
import { notices } from "../../notices/notices.ts";
import type { Services } from "../../services.ts";
import type { ProjectSession } from "../session/project-session.ts";
import { adopted } from "../session/whole-project.ts";

type Deps = Pick<Services, "library" | "newId">;

interface DrawnPages extends ReadDrawing {
  readonly note: PageNote;
  readonly drawing: DrawnShapes;
  /** The file's. */
  readonly name: string;
}

/** Pages that went out as a drawing come in behind the open one, as they are in it now; photos that are not in the library come out of the drawing. */
export async function takePages(services: Deps, session: ProjectSession, from: DrawnPages): Promise<void> {
  const idOf = await photosIn(services, from);
  const { project, pageId } = session.state.getState();
  const noted = pagesAsDrawn(from.note, from.drawing, (id) => idOf.get(id) ?? id, services.newId);
  const pages = noted.map((n) => adopted(services, project, n.page, n));
  const at = project.pages.findIndex((p) => p.id === pageId) + 1;
  const done = session.commit({ code: "tookPages", count: pages.length }, [
    { type: "insertPages", pages: pages.map((page, i) => ({ page, at: at + i })) },
  ]);
  if (!done.ok) return;
  const missing = from.note.photos.filter((p) => !idOf.has(p.id)).length;
  const title = `${words.tookPages(pages.length)}${missing > 0 ? ` ${words.photosMissing(missing)}` : ""}`;
  notices.create({ title, type: missing > 0 ? "warning" : "info", duration: 12_000 });
}

/** The library's ids of the photos on the pages, by the ids that they have in the note. */
async function photosIn({ library }: Deps, { note, root, pictures, name }: DrawnPages) {
  const { byId } = library.state.getState();
  const byHash = new Map([...byId.values()].filter((p) => !p.removed).map((p) => [p.hash, p.id]));
  const idOf = new Map<string, string>();
  for (const [i, { id, hash }] of note.photos.entries()) {
    const here = byHash.get(hash);
    const picture = here === undefined ? pictureOf(root, id, pictures) : undefined;
    const called = `${name.replace(/\.svg$/i, "")} ${i + 1}.${picture?.type === "image/png" ? "png" : "jpg"}`;
    const open = async () => {
      const letters = atob(picture!.base64.replace(/\s+/g, ""));
      const bytes = new Uint8Array(letters.length);
      for (let at = 0; at < letters.length; at += 1) bytes[at] = letters.charCodeAt(at);
      return new File([bytes], called, { type: picture!.type });
    };
    const [come] = picture ? await library.bringIn([{ name: called, open }]) : [];
    const known = here ?? come;
    if (known !== undefined) idOf.set(id, known);
  }
  return idOf;
}

function pictureOf(
  e: SvgElement,
  photoId: string,
  pictures: DrawnPages["pictures"],
): DrawnPages["pictures"][number] | undefined {
  if (e.attributes[photoAttribute] === photoId) {
    const [, at] = /^picture:(\d+)$/.exec(e.attributes.href ?? "") ?? [];
    if (at !== undefined) return pictures[Number(at)];
  }
  for (const child of e.children) {
    const found = pictureOf(child, photoId, pictures);
    if (found) return found;
  }
  return undefined;
}
