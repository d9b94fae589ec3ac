import { readFileSync } from "node:fs";
import { expect } from "@jest/globals";
import {
  applyChange,
  autoFramed,
  barePage,
  type Change,
  type Filling,
  type FreeTile,
  newBook,
  newFreeTile,
  type Page,
  type Project,
  type Words,
} from "#core/document";
import { formatFromCard, type LabCard } from "#core/lab";
import { labCardSchema } from "#core/lab/schema";
import { type Photo, type PhotoInput, photoShape } from "#core/photo";
import { photoSchema } from "#core/photo/schema";
import { type Face, firstWordStyles, type Typesetter } from "#core/words";
import { collage, counter } from "../document/project.fixture.ts";
import { checkPage, type Finding, type FixCode, fixed, type PageFacts, pageAt } from "./index.ts";

/** Every letter half an em wide; only letters of plain English are there. */
const face: Face = {
  key: "any",
  ascent: 0.75,
  descent: 0.25,
  shape: (text) => [...text].map((_, i) => ({ file: 0, id: 1, cluster: i, advance: 0.5, dx: 0, dy: 0 })),
  covers: (code) => code < 128,
  // As high as the font leaves room for.
  outline: () => [["M", 0, -0.75], ["L", 0.5, 0.25], ["Z"]],
};

export const setter: Typesetter = {
  face: () => face,
  breaks: (text) => [
    ...[...text.matchAll(/ /g)].map((m) => ({ at: m.index + 1, must: false })),
    { at: text.length, must: true },
  ],
};

export const photo = (id: string, more: Partial<PhotoInput> = {}): Photo =>
  photoSchema.parse({
    id,
    name: `${id}.jpg`,
    type: "image/jpeg",
    sizeBytes: 9,
    hash: "a".repeat(64),
    widthPx: 6000,
    heightPx: 4000,
    takenAt: "2026-03-01T10:00:00",
    takenFrom: "exif",
    caption: "",
    addedAt: "2026-03-02T10:00:00.000Z",
    ...more,
  });

export const factsOf = (photos: readonly Photo[], more: Partial<PageFacts> = {}): PageFacts => {
  const byId = new Map(photos.map((p) => [p.id, p]));
  return {
    known: (id) => byId.get(id),
    photo: (id) => (byId.has(id) ? photoShape(byId.get(id)!) : undefined),
    gone: () => false,
    beyondSrgb: () => 0,
    sharperTwin: () => undefined,
    setter,
    ...more,
  };
};

const card = (name: string): LabCard => labCardSchema.parse(JSON.parse(readFileSync(`demo/labs/${name}.json`, "utf8")));

export const gutterLab = card("marrow-and-lisle");

export function freshBook(lab: LabCard = gutterLab): Project {
  const format = formatFromCard(lab, lab.sizes[0]!, false);
  return newBook({ name: "A book", unit: "mm", lab, format }, { newId: counter("p"), at: "2026-01-01T00:00:00.000Z" });
}

/** A book that has begun: its last page is bare on purpose. */
export function book(lab: LabCard = gutterLab): Project {
  const fresh = freshBook(lab);
  return { ...fresh, pages: fresh.pages.with(-1, { ...fresh.pages.at(-1)!, blank: true }) };
}

interface Lying {
  readonly x: number;
  readonly y: number;
  readonly w: number;
  readonly h: number;
}

export const tile = (id: string, { x, y, w, h }: Lying, filling: Filling): FreeTile =>
  newFreeTile({ centre: { x: x + w / 2, y: y + h / 2 }, width: w, height: h, turn: 0 }, filling, () => id);

export const holding = (photoId: string, view: Partial<ReturnType<typeof autoFramed>> = {}): Filling => ({
  kind: "photo",
  view: { ...autoFramed(photoId), ...view },
});

export const saying = (text: string, style: Partial<Words["style"]> = {}): Words => ({
  kind: "words",
  text,
  style: { ...firstWordStyles.caption, sizePt: 12, insetMm: 0, ...style },
  role: "caption",
  from: null,
  card: null,
});

/** A page of a project with these tiles lying freely on it. */
export const lying = (id: string, pieces: readonly FreeTile[]): Page => ({ ...barePage(() => id), pieces });

export const facts = factsOf([photo("p"), photo("q")]);

export const codes = (findings: readonly Finding[]) => findings.map((f) => f.code);

/** What becomes of the project when one of the ways that a finding offers is taken. */
export function fixedBy(project: Project, finding: Finding, fix: FixCode, how: PageFacts = facts) {
  expect(finding.fixes).toContain(fix);
  const changes = fixed(project, finding, fix, { ...how, newId: counter("new"), coverPhoto: () => undefined });
  expect(changes).not.toEqual([]);
  return applied(project, changes);
}

export const applied = (project: Project, changes: readonly Change[]): Project =>
  changes.reduce((now, c) => {
    const next = applyChange(now, c);
    if (!next.ok) throw new Error(next.code);
    return next.value;
  }, project);

export const inside = { x: 60, y: 60, w: 60, h: 40 };

/** A collage of one page with these tiles, checked. */
export function checked(tiles: readonly FreeTile[], how: PageFacts = facts, project: Project = collage([1])) {
  const page = lying(project.pages[0]!.id, tiles);
  const at = { ...project, pages: [page] };
  return {
    project: at,
    findings: checkPage(
      pageAt(at, page, () => undefined),
      how,
    ),
  };
}

/** What is found on its first page. */
export const checkedAgain = (project: Project, how: PageFacts = facts) =>
  checkPage(
    pageAt(project, project.pages[0]!, () => undefined),
    how,
  );
