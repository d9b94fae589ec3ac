import { readFileSync } from "node:fs";
import { expect, test } from "@jest/globals";
import { coverFormat, firstCover, newBook, type PrintFile, type Project, printFiles } from "#core/document";
import { formatFromCard } from "#core/lab";
import { labCardSchema } from "#core/lab/schema";
import { photo } from "../../../../core/check/check.fixture.ts";
import { collage, counter } from "../../../../core/document/project.fixture.ts";
import {
  endingOf,
  type FileKind,
  type FileOptions,
  fileKinds,
  labFileOptions,
} from "../../state/sending/file-options.ts";
import { nameOfFile, tasksFor, zipNameOf } from "./tasks.ts";

const lab = labCardSchema.parse(JSON.parse(readFileSync("demo/labs/marrow-and-lisle.json", "utf8")));
const inner = newBook(
  { name: "Our year: häfen & bridges", unit: "mm", lab, format: formatFromCard(lab, lab.sizes[0]!, false) },
  { newId: counter("p"), at: "2026-01-01T00:00:00.000Z" },
);
const book: Project = { ...inner, ...firstCover(inner, undefined, counter("c")) };
const filesOf = (project: Project): readonly PrintFile[] =>
  printFiles(project, () => undefined, { holds: "pages", withoutBleed: false });
const asked = (project: Project, more: Partial<FileOptions>): FileOptions => ({ ...labFileOptions(project), ...more });

/** The tasks, and what each asks of the worker when it is made. */
async function made(project: Project, options: FileOptions, missing: readonly string[] = []) {
  const orders: { job: string; order: Record<string, unknown> }[] = [];
  const originals: string[] = [];
  const deps = {
    store: {
      original: async (id: string) => {
        originals.push(id);
        return missing.includes(id) ? undefined : new Blob([id]);
      },
    },
    printing: {
      run: async (job: string, order: Record<string, unknown>) => {
        orders.push({ job, order });
        return { file: new Blob([job]) };
      },
    },
    byId: new Map(["p0", "p1"].map((id) => [id, photo(id)])),
    fonts: { own: () => [] },
  } as unknown as Parameters<typeof tasksFor>[3];
  const files = filesOf(project);
  const tasks = tasksFor(files, project, options, deps);
  const signal = new AbortController().signal;
  const results: (Blob | { readonly failed: unknown })[] = [];
  for (const task of tasks)
    results.push(
      await task
        .make({ keepAs: { folder: "made", name: task.name }, signal, onProgress: () => {} })
        .catch((failed: unknown) => ({ failed })),
    );
  return { files, tasks, orders, originals, results };
}

test("each file of a book has a name and a key of its own, as they are shown before", async () => {
  for (const kind of fileKinds.filter((k) => k !== "pdf")) {
    const options = asked(book, { kind });
    const { files, tasks, orders } = await made(book, options);
    expect(files.length).toBeGreaterThan(2);
    expect(tasks).toHaveLength(files.length);
    expect(new Set(tasks.map((t) => t.key)).size).toBe(files.length);
    expect(new Set(tasks.map((t) => t.name)).size).toBe(files.length);
    expect(tasks.map((t) => t.name)).toEqual(files.map((_, at) => nameOfFile(book, files, options, at)));
    for (const { name } of tasks) expect(name).toMatch(new RegExp(`^[A-Za-z0-9.-]+\\.${endingOf(kind)}$`));
    expect(orders.map((o) => o.order.file)).toEqual(files);
  }
});

test("each kind of file is made by the job that makes such files, with what was asked of it", async () => {
  const of = async (kind: FileKind) => (await made(book, asked(book, { kind, named: true }))).orders[0]!;
  expect((await of("svg")).job).toBe("printSvg");
  expect(await of("ora")).toMatchObject({ job: "printOra", order: { named: true, title: book.name } });
  const { picture } = labFileOptions(book);
  expect(await of("tiff")).toMatchObject({ job: "printPicture", order: { options: { ...picture, kind: "tiff" } } });
});

test("a PDF of a book is two, the cover in one of its own; small, to read on a screen, it is one", async () => {
  const whole = await made(book, asked(book, { kind: "pdf", marks: true, lossless: true }));
  const cover = whole.files.filter((f) => f.number === "cover");
  expect(cover).toHaveLength(1);
  expect(whole.tasks.map((t) => t.name)).toEqual([
    expect.stringMatching(/^[A-Za-z0-9-]+-cover\.pdf$/),
    expect.stringMatching(/^[A-Za-z0-9-]+\.pdf$/),
  ]);
  expect(whole.orders.map((o) => o.order.files)).toEqual([cover, whole.files.filter((f) => f.number !== "cover")]);
  const [first] = whole.orders;
  expect(first!.order).toMatchObject({
    title: book.name,
    marks: true,
    lossless: true,
    small: false,
    keepAs: { folder: "made", name: whole.tasks[0]!.name },
  });
  const { format } = cover[0]!;
  expect(format).toEqual(coverFormat(book));
  const [slug] = first!.order.slugs as string[];
  expect(slug).toContain(book.name);
  expect(slug).toContain(`${Math.round(format.widthMm)} × ${Math.round(format.heightMm)} mm`);

  const small = await made(book, asked(book, { kind: "pdf", small: true }));
  expect(small.orders.map((o) => o.order.files)).toEqual([small.files]);
  expect(small.orders[0]!.order).toMatchObject({ small: true, slugs: [], flattened: false, blackAlone: false });
  const at = small.files.findIndex((f) => f.number === "cover");
  expect(nameOfFile(book, small.files, asked(book, { kind: "pdf", small: true }), at)).toBe(small.tasks[0]!.name);
  expect(nameOfFile(book, whole.files, asked(book, { kind: "pdf" }), at)).toBe(whole.tasks[0]!.name);
});

test("what a lab wants of PDFs is asked for, but not of small ones for a screen", async () => {
  const press = { ...lab, file: { ...lab.file, flattened: true, press: { profile: "press" } } };
  const project = { ...book, lab: press as unknown as Project["lab"] };
  const wishes = async (small: boolean) => (await made(project, asked(book, { kind: "pdf", small }))).orders[0]!.order;
  expect(await wishes(false)).toMatchObject({ flattened: true, blackAlone: true });
  expect(await wishes(true)).toMatchObject({ flattened: false, blackAlone: false });
  expect((await made(book, asked(book, { kind: "pdf" }))).orders[0]!.order).toMatchObject({
    flattened: lab.file.flattened ?? false,
    blackAlone: lab.file.press !== undefined,
  });
});

test("every photo goes along once with its original; one that is missing stops the file, and nothing is printed", async () => {
  const project = collage([1.5, 0.7]);
  const { orders, originals, results } = await made(project, asked(project, { kind: "pdf" }));
  expect([...originals].sort()).toEqual(["p0", "p1"]);
  const photos = orders[0]!.order.photos as { photo: { id: string }; original: Blob }[];
  expect(photos.map((p) => p.photo.id).sort()).toEqual(["p0", "p1"]);
  for (const { photo, original } of photos) expect(await original.text()).toBe(photo.id);
  expect(results).toEqual([expect.any(Blob)]);
  for (const kind of ["jpeg", "svg", "pdf"] as const) {
    const gone = await made(project, asked(project, { kind }), ["p1"]);
    expect(gone.orders).toEqual([]);
    expect(gone.results).toEqual([{ failed: expect.objectContaining({ code: "photoUnreadable" }) }]);
  }
});

test("a zip is called as the project is, in letters that every disk takes", () => {
  expect(zipNameOf(book)).toMatch(/^[A-Za-z0-9-]+\.zip$/);
  expect(zipNameOf({ ...book, name: "///" })).toMatch(/^[A-Za-z0-9-]+\.zip$/);
});
