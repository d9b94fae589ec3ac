import { createHash } from "node:crypto";
import { readFileSync } from "node:fs";
import { expect, test } from "@jest/globals";
import { unzipSync } from "fflate";
import { checkPage, checkProject, pageAt } from "#core/check";
import { type Photo, photoShape } from "#core/photo";
import { type ProjectFile, readProjectFile } from "#core/project-file";
import { scene } from "#core/scene";
import { setter } from "../../../check/check.fixture.ts";
import { everyPage, printFiles } from "../../index.ts";

/** Works that were written in the first form, with what the program of that day drew and found. */
const folder = "e2e/fixtures/version-1";

function opened(work: string): ProjectFile {
  const text = new TextDecoder().decode(unzipSync(readFileSync(`${folder}/${work}.tessip.zip`))["project.json"]);
  expect(JSON.parse(text)).toMatchObject({ version: 1, project: { schema: 1 } });
  const read = readProjectFile(text);
  if (!read.ok) throw new Error(`${read.code} ${JSON.stringify(read.facts)}`);
  return read.value;
}

const then = (work: string): { scenes: string[]; findings: { key: string; mark: string }[] } =>
  JSON.parse(readFileSync(`${folder}/${work}.json`, "utf8"));

const works = ["collage", "book", "cards", "pocket-pages"];
const shortHash = (text: string) => createHash("sha256").update(text).digest("hex").slice(0, 16);

const factsOf = (photos: readonly Photo[]) => {
  const byId = new Map(photos.map((p) => [p.id, p]));
  return {
    known: (id: string) => byId.get(id),
    photo: (id: string) => (byId.has(id) ? photoShape(byId.get(id)!) : undefined),
    gone: () => false,
    beyondSrgb: () => 0,
    sharperTwin: () => undefined,
    setter,
  };
};

test.each(works)("%s is drawn as it was", (work) => {
  const { project, photos } = opened(work);
  const facts = factsOf(photos);
  const drawn = printFiles(project, (id) => facts.known(id)?.takenAt).flatMap((f) =>
    f.parts.map((p) => JSON.stringify([p.page.format.widthMm, p.clip, p.place, scene(p.page, facts)])),
  );

  // One hash is of today: the typesetter of that day's test knew no line ends, and set two lines as one.
  expect(drawn.map(shortHash)).toEqual(then(work).scenes);
});

test.each(works)("%s has the same findings, and what was accepted stays accepted", (work) => {
  const { project, photos } = opened(work);
  const facts = factsOf(photos);
  const takenOf = (id: string) => facts.known(id)?.takenAt;
  const found = [
    ...everyPage(project).flatMap((p) => checkPage(pageAt(project, p, takenOf), facts)),
    ...checkProject(project, { photos, piles: [], spans: [], cardNow: undefined }),
  ];
  // A bare page that only its number was drawn on was not found to be bare then.
  const known = found.filter((f) => f.code !== "blankPage");
  // A photo that was turned with its tile was measured as if it lay upright, and taken to leave a strip bare.
  const right = then(work).findings.filter((f) => f.key !== "uncovered c2:c9");
  expect(known.map(({ key, mark }) => ({ key, mark }))).toEqual(right);
  const marks = new Map(found.map((f) => [f.key, f.mark]));
  expect(project.accepted.length).toBe(3);
  for (const a of project.accepted) expect(marks.get(a.key)).toBe(a.mark);
});
