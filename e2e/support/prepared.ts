import { mkdir, rename, stat } from "node:fs/promises";
import { join } from "node:path";
import { type Page, test } from "@playwright/test";
import { samplePhotos } from "./files.ts";
import { allIn, arrangeFirst, chooseFiles, expectKept, longMs, startCollage } from "./tessip.ts";

/**
 * The application with the first sample photos in it. The first journey of a run that wants so many brings them in; for those after it,
 * all that the browser kept is put back as it was.
 */
export async function withPhotos(page: Page, count: number): Promise<void> {
  const path = join(test.info().project.outputDir, "prepared", `${count} photos`);
  if (await stat(path).catch(() => undefined)) {
    await besideTheApplication(page);
    await putBack(page, path);
    await page.goto("/");
    await allIn(page);
    return;
  }
  await page.goto("/");
  await chooseFiles(page, samplePhotos(count));
  await allLookedAt(page);
  await expectKept(page);
  await besideTheApplication(page);
  await takeOut(page, path);
  await page.goto("/");
}

/** The first twelve of fourteen sample photos, arranged on a page of a collage. */
export async function twelveArranged(page: Page, size = "12 × 12 in"): Promise<void> {
  await withPhotos(page, 14);
  await startCollage(page, "Quayside Collage Press", size);
  await arrangeFirst(page, 12);
}

/** A page that may read what the application keeps, while nothing of the application runs. */
const besideTheApplication = (page: Page) => page.goto("/health");

/** What is kept as one file: the length of its heading, the heading as JSON, then every blob and file that it names by its place. */
interface Heading {
  readonly marks: Readonly<Record<string, string>>;
  readonly databases: readonly {
    readonly name: string;
    readonly version: number;
    readonly tables: readonly {
      readonly name: string;
      readonly keyPath: string | string[] | null;
      readonly indexes: readonly (readonly [name: string, keyPath: string | string[], unique: boolean])[];
      readonly records: readonly (readonly [key: IDBValidKey, value: unknown, blob?: Part])[];
    }[];
  }[];
  readonly files: readonly (readonly [path: readonly string[], content: Part])[];
}
interface Part {
  readonly at: number;
  readonly size: number;
  readonly type: string;
}

const allLookedAt = (page: Page): Promise<unknown> =>
  page.waitForFunction(
    () =>
      new Promise<boolean>((done, failed) => {
        const opening = indexedDB.open("tessip");
        opening.onerror = () => failed(opening.error);
        opening.onsuccess = () => {
          const photos = opening.result.transaction("photos").objectStore("photos").getAll();
          photos.onerror = () => failed(photos.error);
          photos.onsuccess = () => {
            opening.result.close();
            done((photos.result as { focus: unknown }[]).every((p) => p.focus !== null));
          };
        };
      }),
    undefined,
    { polling: 200, timeout: longMs },
  );

async function takeOut(page: Page, path: string): Promise<void> {
  const coming = page.waitForEvent("download");
  await page.evaluate(async () => {
    const asked = <T>(request: IDBRequest<T>) =>
      new Promise<T>((done, failed) => {
        request.onsuccess = () => done(request.result);
        request.onerror = () => failed(request.error);
      });
    const parts: Blob[] = [];
    let at = 0;
    const part = (blob: Blob): Part => {
      parts.push(blob);
      at += blob.size;
      return { at: at - blob.size, size: blob.size, type: blob.type };
    };
    const databases: Heading["databases"][number][] = [];
    for (const { name, version } of await indexedDB.databases()) {
      const db = await asked(indexedDB.open(name!));
      const tables: Heading["databases"][number]["tables"][number][] = [];
      for (const table of db.objectStoreNames) {
        const store = db.transaction(table).objectStore(table);
        const [keys, values] = await Promise.all([asked(store.getAllKeys()), asked<unknown[]>(store.getAll())]);
        tables.push({
          name: table,
          keyPath: store.keyPath,
          indexes: [...store.indexNames].map((n) => [n, store.index(n).keyPath, store.index(n).unique]),
          records: keys.map((key, i) => {
            const value = values[i];
            return value instanceof Blob ? [key, null, part(value)] : [key, value];
          }),
        });
      }
      db.close();
      databases.push({ name: name!, version: version!, tables });
    }
    const files: Heading["files"][number][] = [];
    const walk = async (folder: FileSystemDirectoryHandle, above: readonly string[]): Promise<void> => {
      const all = (folder as unknown as { values(): AsyncIterable<FileSystemHandle> }).values();
      for await (const entry of all)
        if (entry.kind === "directory") await walk(entry as FileSystemDirectoryHandle, [...above, entry.name]);
        else files.push([[...above, entry.name], part(await (entry as FileSystemFileHandle).getFile())]);
    };
    await walk(await navigator.storage.getDirectory(), []);
    const heading = new TextEncoder().encode(
      JSON.stringify({ marks: { ...localStorage }, databases, files } satisfies Heading),
    );
    const link = document.createElement("a");
    link.href = URL.createObjectURL(new Blob([new Uint32Array([heading.length]), heading, ...parts]));
    link.download = "prepared";
    link.click();
  });
  const half = `${path}.${process.pid}`;
  await mkdir(join(path, ".."), { recursive: true });
  await (await coming).saveAs(half);
  // The other worker may be at the same; whichever ends last, the file is whole.
  await rename(half, path);
}

async function putBack(page: Page, path: string): Promise<void> {
  await page.evaluate(() => {
    document.body.append(Object.assign(document.createElement("input"), { type: "file" }));
  });
  // The browser reads the file by itself, without its bytes going through the test.
  await page.setInputFiles("input", path);
  await page.evaluate(async () => {
    const asked = <T>(request: IDBRequest<T>) =>
      new Promise<T>((done, failed) => {
        request.onsuccess = () => done(request.result);
        request.onerror = () => failed(request.error);
      });
    const file = document.querySelector<HTMLInputElement>("input")!.files![0]!;
    const [length] = new Uint32Array(await file.slice(0, 4).arrayBuffer());
    const { marks, databases, files } = JSON.parse(await file.slice(4, 4 + length!).text()) as Heading;
    const partsAt = 4 + length!;
    const part = async ({ at, size, type }: Part) =>
      new Blob([await file.slice(partsAt + at, partsAt + at + size).arrayBuffer()], { type });
    for (const [name, value] of Object.entries(marks)) localStorage.setItem(name, value);
    for (const { name, version, tables } of databases) {
      const opening = indexedDB.open(name, version);
      opening.onupgradeneeded = () => {
        for (const t of tables) {
          const store = opening.result.createObjectStore(t.name, t.keyPath === null ? {} : { keyPath: t.keyPath });
          for (const [index, keyPath, unique] of t.indexes) store.createIndex(index, keyPath, { unique });
        }
      };
      const db = await asked(opening);
      for (const { name: table, keyPath, records } of tables) {
        if (records.length === 0) continue;
        const values = await Promise.all(records.map(async ([, value, blob]) => (blob ? part(blob) : value)));
        const store = db.transaction(table, "readwrite").objectStore(table);
        await Promise.all(
          records.map(([key], i) => asked(keyPath === null ? store.put(values[i], key) : store.put(values[i]))),
        );
      }
      db.close();
    }
    const root = await navigator.storage.getDirectory();
    for (const [place, content] of files) {
      let folder = root;
      for (const n of place.slice(0, -1)) folder = await folder.getDirectoryHandle(n, { create: true });
      const to = await (await folder.getFileHandle(place.at(-1)!, { create: true })).createWritable();
      await to.write(await part(content));
      await to.close();
    }
  });
}
