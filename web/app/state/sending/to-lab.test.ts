import { readFileSync } from "node:fs";
import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { firstCover, newBook, type PrintFile, type Project, printFiles } from "#core/document";
import { formatFromCard } from "#core/lab";
import { labCardSchema, packetSchema } from "#core/lab/schema";
import type { DrawnSheet } from "#core/sheet-files";
import { collage, counter } from "../../../../core/document/project.fixture.ts";
import { sendFileNames } from "./file-options.ts";
import { packetOf } from "./lab-client.ts";
import { aboutPages, aboutSheets, isServed, orderSheet } from "./to-lab.ts";

const cardOf = (name: string) => labCardSchema.parse(JSON.parse(readFileSync(`demo/labs/${name}.json`, "utf8")));
const lab = cardOf("marrow-and-lisle");
const inner = newBook(
  { name: "Our year", unit: "mm", lab, format: formatFromCard(lab, lab.sizes[0]!, false) },
  { newId: counter("p"), at: "2026-01-01T00:00:00.000Z" },
);
const book: Project = { ...inner, ...firstCover(inner, undefined, counter("c")) };
const filesOf = (project: Project, holds: "pages" | "spreads"): readonly PrintFile[] =>
  printFiles(project, () => undefined, { holds });
/** The packet of a project's files, of which each holds its own name. */
async function packet(project: Project, copies = 1, holds: "pages" | "spreads" = "pages") {
  const files = filesOf(project, holds);
  const about = aboutPages(project, files, { kind: "jpeg", copies })!;
  const named = sendFileNames(project, files, "jpeg").map((name) => ({ name, file: new Blob([name]) }));
  return { files, packet: packetSchema.parse(await packetOf(about, named)) };
}

test("the lab is told of each file what it holds, and of a book its pages, paper and cover", async () => {
  const { files, packet: pages } = await packet(book);
  expect(pages).toMatchObject({
    labId: lab.id,
    title: "Our year",
    sizeId: lab.sizes[0]!.id,
    book: { pages: files.length - 1, paperId: book.book!.paperId, coverId: book.book!.coverId },
  });
  expect(pages.files.map((f) => f.holds)).toEqual(files.map((f) => (f.number === "cover" ? "cover" : "page")));
  const spreads = await packet(book, 1, "spreads");
  expect(new Set(spreads.packet.files.map((f) => f.holds))).toEqual(new Set(["cover", "spread"]));
});

test("how many are wanted is said of every file and in the title", async () => {
  const { packet: one } = await packet(book);
  expect(new Set(one.files.map((f) => f.copies))).toEqual(new Set([1]));
  const { packet: three } = await packet(book, 3);
  expect(three.title).toBe("Our year, 3 copies");
  expect(new Set(three.files.map((f) => f.copies))).toEqual(new Set([3]));
});

test("sums and lengths are those of the files themselves", async () => {
  const { packet: sent } = await packet(book);
  for (const { name, bytes, sha256 } of sent.files) {
    expect(bytes).toBe(name.length);
    const sum = await crypto.subtle.digest("SHA-256", new TextEncoder().encode(name));
    expect(sha256).toBe(Buffer.from(sum).toString("hex"));
  }
});

test("however long a project's name is, its packet is one that labs take, and says how many", () => {
  const sheets = [{}, {}] as unknown as readonly DrawnSheet[];
  fc.assert(
    fc.property(
      fc.oneof(
        fc.string({ unit: "grapheme", maxLength: 120 }).filter((s) => s.length <= 120),
        // Letters of two code units each, from an even and an odd place on.
        fc.constantFrom("\u{1f41f}".repeat(60), `x${"\u{1f41f}".repeat(59)}`),
      ),
      fc.integer({ min: 1, max: 1000 }),
      (name, copies) => {
        const project = { ...book, name };
        const titles = [
          aboutPages(project, [], { kind: "jpeg", copies })!.title,
          aboutSheets(project, lab, sheets, { copies }).title,
        ];
        for (const title of titles) {
          expect(title.length).toBeLessThanOrEqual(120);
          expect(title).not.toMatch(/\p{Surrogate}/u);
          if (copies > 1) expect(title).toMatch(new RegExp(`, ${copies} copies$`));
          if (name.length < 80) expect(title.startsWith(name)).toBe(true);
        }
        expect(titles[1]).toContain(", 2 print sheets");
      },
    ),
  );
  const cut = aboutPages({ ...book, name: "m".repeat(120) }, [], { kind: "jpeg", copies: 12 })!.title;
  expect(cut).toBe(`${"m".repeat(108)}…, 12 copies`);
});

test("nothing is told of a work without a lab, and nobody listens at a lab of one's own", () => {
  const own = { ...collage([1.5]), lab: null };
  expect(aboutPages(own, filesOf(own, "pages"), { kind: "jpeg", copies: 1 })).toBeUndefined();
  expect([null, lab, { ...lab, id: "own-press" }].map(isServed)).toEqual([false, true, false]);
});

test("a packet that is carried there has a list with sums and an order to read", async () => {
  const files = filesOf(book, "pages");
  const about = aboutPages(book, files, { kind: "jpeg", copies: 2 })!;
  const [name] = sendFileNames(book, files, "jpeg");
  const [order, list] = await orderSheet("Marrow and Lisle", about)([{ name: name!, file: new Blob(["x"]) }]);
  expect([order!.name, list!.name]).toEqual(["order.txt", "packet.json"]);
  const text = await order!.file.text();
  for (const part of ["Marrow and Lisle", "Our year, 2 copies", name!]) expect(text).toContain(part);
  const listed = packetSchema.parse(JSON.parse(await list!.file.text()));
  expect(listed.files).toEqual([expect.objectContaining({ name, bytes: 1, copies: 2, holds: "cover" })]);
});
