import { expect, test } from "@jest/globals";
import fc from "fast-check";
import { compress } from "woff2-encoder";
import { readFontFacts, writtenFont } from "#core/files";
import { faceKey, type OwnFont, ownFaceOf, withFontFile } from "#core/words";
import { FontShelf } from "./font-shelf.ts";
import { fontFiles, fontUrls } from "./font-urls.ts";
import { type FontSays, packedFont, postScriptFont, trueTypeFont } from "./own-fonts.fixture.ts";
import { FontFileError, mostFontBytes, readFontFile } from "./read-font-file.ts";
import { sfntOf } from "./woff.ts";

const read = (bytes: Uint8Array<ArrayBuffer>) => readFontFile(new Blob([bytes]));
const code = (bytes: Uint8Array<ArrayBuffer> | Blob) =>
  readFontFile(bytes instanceof Blob ? bytes : new Blob([bytes])).then(
    () => "ok",
    (e: unknown) => (e instanceof FontFileError ? e.code : String(e)),
  );

test("a font is read as TTF, OTF, WOFF and WOFF2, and says its own name", async () => {
  const ttf = await trueTypeFont({ family: "Oma’s Hand", italic: true });
  const woff2 = Uint8Array.from(await compress(ttf));
  const [fromTtf] = await read(ttf);
  const [fromWoff2] = await read(woff2);
  const says = { family: "Oma’s Hand", bold: false, italic: true, embedding: "free", source: "glyf" };
  expect(fromTtf).toMatchObject(says);
  expect(fromWoff2).toMatchObject(says);
  expect((await read(Uint8Array.from(packedFont("jost", "700-normal"))))[0]).toMatchObject({
    family: "Jost",
    bold: true,
  });
  expect((await read(await postScriptFont("Opa Script")))[0]).toMatchObject({ family: "Opa Script", source: "CFF " });
});

test("all fonts that come along say of themselves what the list says of them", async () => {
  for (const key of fontUrls.keys()) {
    const [{ family, file }] = fontFiles(key) as [ReturnType<typeof fontFiles>[number]];
    const style = file.slice(file.lastIndexOf("-", file.lastIndexOf("-") - 1) + 1, -".woff".length);
    const part = file.slice(family.length + 1, -`-${style}.woff`.length);
    const { readFileSync } = await import("node:fs");
    const facts = readFontFacts(
      await sfntOf(
        new Uint8Array(readFileSync(`node_modules/@fontsource/${family}/files/${family}-${part}-${style}.woff`)),
      ),
    );
    expect([key, facts.italic]).toEqual([key, style.endsWith("italic")]);
  }
});

test("what a font's maker lets it do is taken from the font", async () => {
  const embedding = async (fsType: number) => (await read(await trueTypeFont({ family: "F", fsType })))[0]!.embedding;
  expect(await Promise.all([0, 2, 4, 8, 0xe, 0x104, 0x200].map(embedding))).toEqual([
    "free",
    "never",
    "free",
    "free",
    "free",
    "whole",
    "never",
  ]);
});

test("each font of a collection comes in by itself", async () => {
  const fonts = await Promise.all([trueTypeFont({ family: "One" }), trueTypeFont({ family: "Two", bold: true })]);
  const head = new Uint8Array(20);
  const view = new DataView(head.buffer);
  for (const [i, v] of [0x74746366, 0x00010000, 2, 20, 20 + fonts[0]!.length].entries()) view.setUint32(4 * i, v);
  const moved = fonts.map((font, i) => {
    const at = i === 0 ? 20 : 20 + fonts[0]!.length;
    const copy = Uint8Array.from(font);
    const v = new DataView(copy.buffer);
    for (let t = 0; t < v.getUint16(4); t += 1) v.setUint32(12 + 16 * t + 8, v.getUint32(12 + 16 * t + 8) + at);
    return copy;
  });
  const all = await read(new Uint8Array(Buffer.concat([head, ...moved])));
  expect(all.map((f) => [f.family, f.bold])).toEqual([
    ["One", false],
    ["Two", true],
  ]);
});

test("what is no font is refused with a reason, and a font that was tampered with breaks nothing", async () => {
  const ttf = await trueTypeFont({ family: "F" });
  const otf = await postScriptFont("F");
  expect(await code(new TextEncoder().encode("<html>".repeat(20)))).toBe("notAFont");
  expect(await code(new Uint8Array(0))).toBe("notAFont");
  expect(await code(ttf.slice(0, 3000))).toBe("damagedFont");
  expect(await code(Uint8Array.from(packedFont()).slice(0, 3000))).toBe("damagedFont");
  expect(await code({ size: mostFontBytes + 1 } as Blob)).not.toBe("ok");
  expect(await code(new Blob([new Uint8Array(mostFontBytes + 1)]))).toBe("fontTooLarge");
  const lying = Uint8Array.from(await compress(ttf));
  new DataView(lying.buffer).setUint32(16, 0xfffffff0);
  expect(await code(lying)).toBe("fontTooLarge");
  const bare = writtenFont([]);
  expect(await code(new Uint8Array(Buffer.concat([bare, new Uint8Array(60)])))).toBe("damagedFont");
  const whole = [ttf, otf];
  await fc.assert(
    fc.asyncProperty(
      fc.nat(1),
      fc.array(fc.tuple(fc.nat(6000), fc.nat(255)), { minLength: 1, maxLength: 12 }),
      async (i, edits) => {
        const bad = Uint8Array.from(whole[i]!);
        for (const [at, v] of edits) bad[at % bad.length] = v;
        expect(["ok", "damagedFont", "notAFont", "fontTooLarge"]).toContain(await code(bad));
      },
    ),
    { numRuns: 60 },
  );
});

const facts = (says: FontSays, hash: string) => ({
  bold: false,
  italic: false,
  ...says,
  hash: hash.repeat(64),
  sizeBytes: 10,
  embedding: "free" as const,
});

test("files of one name are one font, whose faces are found as bold and as slanted as can be", () => {
  const regular = withFontFile([], facts({ family: "Hand" }, "7"));
  const both = withFontFile([regular], facts({ family: "Hand", bold: true }, "b"));
  expect(regular.id).toBe(`own-${"7".repeat(16)}`);
  expect(both).toMatchObject({ id: regular.id, name: "Hand", faces: [{ bold: false }, { bold: true }] });
  expect(withFontFile([both], facts({ family: "Other" }, "c")).id).not.toBe(both.id);
  expect(withFontFile([{ ...both, hidden: true }], facts({ family: "Hand" }, "d"))).toMatchObject({
    faces: [{ hash: "d".repeat(64) }, { hash: "b".repeat(64) }],
  });
  const found = (of: OwnFont, bold: boolean, italic: boolean) =>
    ownFaceOf([of], faceKey({ font: of.id, bold, italic }))?.face.hash[0];
  expect([
    found(both, false, false),
    found(both, true, false),
    found(both, true, true),
    found(both, false, true),
  ]).toEqual(["7", "b", "b", "7"]);
  const slanted = withFontFile([both], facts({ family: "Hand", italic: true }, "i"));
  expect([found(slanted, true, true), found(slanted, false, true)]).toEqual(["i", "i"]);
  expect(ownFaceOf([regular], "caveat-400")).toBeUndefined();
});

test("an own font is set in its own letters, and in those that stand in where its file is gone or no font", async () => {
  const { readFileSync } = await import("node:fs");
  const served = globalThis.fetch;
  globalThis.fetch = (async (url: string) => {
    const [, file] = /^\/fonts\/(.*)$/.exec(url)!;
    const family = fontFiles("eb-garamond-400")[0]!.family;
    return new Response(readFileSync(`node_modules/@fontsource/${family}/files/${file}`));
  }) as typeof fetch;
  try {
    const sfnt = await trueTypeFont({ family: "Hand" });
    const font = withFontFile([], facts({ family: "Hand" }, "a"));
    const key = faceKey({ font: font.id, bold: true, italic: false });
    const shelf = new FontShelf(fontUrls);
    const width = async () => (await shelf.load(key))!.shape("Wim").reduce((sum, g) => sum + g.advance, 0);
    const garamond = (await shelf.load("eb-garamond-700"))!.shape("Wim").reduce((sum, g) => sum + g.advance, 0);
    shelf.takeOwn({ fonts: [font], files: new Map() });
    expect(shelf.font(font.id)).toMatchObject({ name: "Hand", here: false });
    expect(await width()).toBeCloseTo(garamond);
    let told = 0;
    shelf.watch(() => {
      told += 1;
    });
    shelf.takeOwn({ fonts: [font], files: new Map([[font.faces[0]!.hash, new Blob([sfnt])]]) });
    expect(told).toBe(1);
    expect(shelf.font(font.id)).toMatchObject({ name: "Hand", here: true, bold: false });
    expect(Math.abs((await width()) - garamond)).toBeGreaterThan(0.1);
    const junk = new Blob([sfnt.slice(0, 400)]);
    shelf.takeOwn({ fonts: [font], files: new Map([[font.faces[0]!.hash, junk]]) });
    expect(await width()).toBeCloseTo(garamond);
    expect(shelf.font("nowhere")).toMatchObject({ name: "nowhere", here: false });
  } finally {
    globalThis.fetch = served;
  }
});
