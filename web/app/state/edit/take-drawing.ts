import { pageNoteIn } from "#core/document";
import { checkPageNote } from "#core/document/schema";
import { shapesOfSvg } from "#core/drawings";
import { drawingOnPage } from "#core/edit";
import { drawings as words } from "../../../text/index.ts";
import { notices } from "../../notices/notices.ts";
import type { Services } from "../../services.ts";
import { openPlaced, type ProjectSession } from "../session/project-session.ts";

/** The closed shapes of an SVG drawing as tiles of the open page, and what could not become one. */
export async function takeDrawing(
  services: Pick<Services, "viewState" | "newId" | "library">,
  session: ProjectSession,
  file: File,
): Promise<void> {
  const { viewState, newId } = services;
  const { browserColour, readDrawing, UnreadableSvg } = await import("../../../pictures/read-svg.ts");
  const say = (title: string, type: "error" | "info") => notices.create({ title, type, duration: 12_000 });
  try {
    const read = await readDrawing(file);
    const drawing = shapesOfSvg(read.root, browserColour());
    const note = pageNoteIn(read.root, checkPageNote);
    if (note) {
      const { takePages } = await import("./take-pages.ts");
      await takePages(services, session, { note, drawing, ...read, name: file.name });
      return;
    }
    if (drawing.shapes.length === 0) {
      say(words.none(file.name, drawing.leftOut), "error");
      return;
    }
    const laid = drawingOnPage(openPlaced(session.state.getState()), drawing, newId);
    if (!laid.ok) {
      say(words.tooMany(drawing.shapes.length, Number(laid.facts.most)), "error");
      return;
    }
    const { page, tileIds } = laid.value;
    const done = session.commit({ code: "tookDrawing", count: tileIds.length }, [{ type: "replacePage", page }]);
    if (!done.ok) return;
    viewState.setState({ tiles: { ids: new Set(tileIds), anchor: tileIds[0] } });
    const left = words.leftOut(drawing.leftOut);
    say(`${words.taken(tileIds.length)}${left && ` ${left}`}`, "info");
  } catch (e) {
    say(e instanceof UnreadableSvg ? words.trouble[e.code] : words.trouble.svgDamaged, "error");
  }
}
