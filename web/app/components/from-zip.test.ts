import { expect, test } from "@jest/globals";
import { zipSync } from "fflate";
import { fromZip } from "./from-zip.ts";

const bytes = (text: string) => new TextEncoder().encode(text);
const archive = (
  files: Record<string, Uint8Array>,
  edit: (zip: Uint8Array<ArrayBuffer>) => Uint8Array<ArrayBuffer> = (z) => z,
) => new File([edit(new Uint8Array(zipSync(files, { mtime: new Date(2025, 6, 12, 14, 30, 10) })))], "sent.zip");
const open = (file: { open(signal: AbortSignal): Promise<File> }) => file.open(new AbortController().signal);

/** The same archive with another number at `offset` of its only directory entry. */
const withDirectory = (offset: number, value: number) => (zip: Uint8Array<ArrayBuffer>) => {
  const view = new DataView(zip.buffer);
  const at = zip.findIndex((_, i) => i + 4 <= zip.length && view.getUint32(i, true) === 0x02014b50);
  view.setUint32(at + offset, value, true);
  return zip;
};

test("what is in an archive comes out byte for byte, by the last part of its path, with its date", async () => {
  const files = await fromZip(
    archive({ "2025/a.jpg": bytes("photo ".repeat(90)), "../../b.jpg": bytes("b"), "c\\d.jpg": bytes("d") }),
  );
  expect(files.map((f) => f.name)).toEqual(["a.jpg", "b.jpg", "d.jpg"]);
  const a = await open(files[0]!);
  expect(await a.text()).toBe("photo ".repeat(90));
  expect(new Date(a.lastModified)).toEqual(new Date(2025, 6, 12, 14, 30, 10));
});

test("what systems leave in archives for themselves is not brought in", async () => {
  expect(
    await fromZip(
      archive({ "__MACOSX/._a.jpg": bytes("x"), ".hidden": bytes("x"), "Thumbs.db": bytes("x"), "d/": bytes("") }),
    ),
  ).toEqual([]);
});

test("an entry that says it is huge is refused before anything is unpacked", async () => {
  const [file] = await fromZip(archive({ "a.jpg": new Uint8Array(900) }, withDirectory(24, 0x7fffffff)));
  await expect(open(file!)).rejects.toMatchObject({ code: "entryTooLarge" });
});

test("an entry that unpacks to more or to less than it says is damaged", async () => {
  for (const says of [10, 5000]) {
    const [file] = await fromZip(archive({ "a.jpg": new Uint8Array(900) }, withDirectory(24, says)));
    await expect(open(file!)).rejects.toMatchObject({ code: "entryDamaged" });
  }
});

test("packed bytes that are broken are damaged, and a file that is no archive is named as one that cannot be read", async () => {
  const [file] = await fromZip(archive({ "a.jpg": bytes("photo ".repeat(900)) }, (z) => z.fill(0xff, 40, 60)));
  await expect(open(file!)).rejects.toMatchObject({ code: "entryDamaged" });
  const [none] = await fromZip(new File(["no archive"], "x.zip"));
  expect(none!.name).toBe("x.zip");
  await expect(open(none!)).rejects.toMatchObject({ code: "notAZip" });
});
