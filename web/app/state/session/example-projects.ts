import {
  arrangedOn,
  autoFramed,
  type Filling,
  firstCover,
  footFor,
  mapTiles,
  newBook,
  newFreeTile,
  newPockets,
  type Page,
  type Project,
  placed,
  pocketLeaf,
  type Words,
  withFree,
} from "#core/document";
import { formatFromCard, type LabCard } from "#core/lab";
import { pacePhotos, paceRow, weightOf } from "#core/pace";
import { aspectOf, type Photo } from "#core/photo";
import { shippedPatterns } from "#core/pockets";
import type { WordRole } from "#core/words";
import { example } from "../../../text/index.ts";
import type { Services } from "../../services.ts";
import { exampleCollage } from "./example-collage.ts";
import { exampleNotes } from "./example-notes.ts";

/** Works to look around in, made from the sample photos by the very means that a person has. */

type Deps = Pick<Services, "library" | "store" | "arranging" | "newId" | "now" | "fonts">;

const examplePages = 40;
const exampleSeed = 3;

export async function makeExamples(services: Deps, lab: LabCard, onProgress: (share: number) => void): Promise<void> {
  const book = await exampleBook(services, lab, onProgress);
  const at = services.now();
  for (const project of [book, examplePockets(services), await exampleCollage(services)])
    await services.store.saveProject({ project, steps: [], done: 0, savedAt: at, sent: undefined });
  await services.store.keepNotes({ id: book.id, events: exampleNotes(services, book) });
}

async function exampleBook(services: Deps, lab: LabCard, onProgress: (share: number) => void): Promise<Project> {
  const { photos, spans, piles, byId } = services.library.state.getState();
  const size = lab.sizes.at(-1)!;
  const format = formatFromCard(lab, size, true);
  const bare = newBook(
    { name: example.bookName, unit: lab.unit, lab, format },
    { newId: services.newId, at: services.now() },
  );
  const numbers = { ...bare.book!.numbers, shown: true, running: "days" } as const;
  const numbered: Project = { ...bare, book: { ...bare.book!, numbers } };
  const style = { ...bare.style, margin: { ...bare.style.margin, bottom: footFor(numbered) } };
  const project: Project = { ...numbered, style, palette: example.palette };
  const paced = pacePhotos(photos, spans, piles);
  const row = paceRow(project, examplePages);
  const given = { photos: paced, row, format, hiddenMm: lab.book!.gutterMm, style, seed: exampleSeed };
  const pages = await services.arranging.run("pacePages", given, { onProgress });
  const opening = titlePage(project, pages[0]!, services.newId);
  const best = paced.toSorted((a, b) => weightOf(b) - weightOf(a))[0];
  const photo = best && byId.get(best.id);
  const whole: Project = { ...project, pages: [opening, ...pages.slice(1)] };
  const made = firstCover(whole, photo && { id: photo.id, aspect: aspectOf(photo) }, services.newId);
  return { ...whole, cover: made?.cover ?? null, spine: made?.spine ?? null };
}

/** The first page with the name of the book on it, under its photos. */
function titlePage(project: Project, page: Page, newId: () => string): Page {
  const { format, look } = placed({ ...project, pages: [page] }, page);
  const smaller = { ...page, margin: { ...look.margin, bottom: format.heightMm * 0.3 } };
  const words = (role: WordRole, text: string, y: number, h: number) =>
    newFreeTile(
      {
        centre: { x: format.widthMm / 2, y: format.heightMm * y },
        width: format.widthMm * 0.8,
        height: h,
        turn: 0,
      },
      wordsOf(project, role, text),
      newId,
    );
  const titled = withFree(smaller, words("title", example.bookName, 0.79, 16));
  return withFree({ ...titled, plain: true, paced: false }, words("journal", example.bookLead, 0.89, 14));
}

const wordsOf = (project: Project, role: WordRole, text: string): Words => ({
  kind: "words",
  text,
  style: { ...project.words[role], align: "centre", insetMm: 0 },
  role,
  from: null,
  card: null,
});

function examplePockets(services: Deps): Project {
  const { photos, piles } = services.library.state.getState();
  const under = new Set(piles.flatMap((pile) => pile.slice(1)));
  const pattern = shippedPatterns.find((p) => p.id === "12-mixed")!;
  const bare = newPockets(
    { name: example.pocketsName, unit: "in", pattern },
    { newId: services.newId, at: services.now() },
  );
  const leaves = [...bare.pages, ...pocketLeaf(pattern, bare.pockets!.cardClearanceMm, services.newId)];
  const chosen = photos.filter((p) => !p.hidden && !under.has(p.id) && p.widthPx > 1000);
  const left = [...chosen];
  const pages = leaves.map((page, n): Page => {
    const fillings = new Map(
      arrangedOn(placed({ ...bare, pages: leaves }, page)).map((tile, i): readonly [string, Filling] => {
        // A card to write on here and there, where a photo would be.
        if (i === 4 && n % 2 === 0) return [tile.id, cardOf(bare, n)];
        const wide = tile.frame.width > tile.frame.height;
        const at = left.findIndex((p) => aspectOf(p) > 1 === wide);
        const photo: Photo | undefined = left.splice(Math.max(0, at), 1)[0];
        return [tile.id, photo ? { kind: "photo", view: autoFramed(photo.id) } : tile.filling];
      }),
    );
    return mapTiles(page, (t) => ({ ...t, filling: fillings.get(t.id) ?? t.filling }));
  });
  return { ...bare, pages, palette: example.palette };
}

const cardOf = (project: Project, n: number): Words => ({
  kind: "words",
  text: n === 0 ? example.card : "",
  style: { ...project.words.journal, font: "caveat", sizePt: 15, leading: 1.35 },
  role: "journal",
  from: null,
  card: { ground: "#f6f1e7", lines: "ruled", ink: "#d2c6b0" },
});
