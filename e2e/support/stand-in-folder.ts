import { mkdirSync, readFileSync, writeFileSync } from "node:fs";
import { dirname, join } from "node:path";
import type { BrowserContext, Page } from "@playwright/test";
import { filesUnder } from "./disk.ts";

/**
 * A browser that is driven cannot answer the chooser of folders. In its place stands a folder of the private file system; what
 * is in it is carried to a real folder and back, as a program that keeps folders in step would.
 */
export async function standIn(context: BrowserContext | Page): Promise<void> {
  await context.addInitScript(() => {
    (window as unknown as { showDirectoryPicker: () => Promise<FileSystemDirectoryHandle> }).showDirectoryPicker =
      async () => (await navigator.storage.getDirectory()).getDirectoryHandle("Family books", { create: true });
  });
}

/** From the browser to the disk. */
export async function carryOut(page: Page, to: string): Promise<void> {
  const files = await page.evaluate(async () => {
    const found: [string, string][] = [];
    const stack: [FileSystemDirectoryHandle, string][] = [
      [await (await navigator.storage.getDirectory()).getDirectoryHandle("Family books", { create: true }), ""],
    ];
    for (let at = stack.pop(); at; at = stack.pop()) {
      const [folder, path] = at;
      const all = folder as unknown as { entries(): AsyncIterable<[string, FileSystemHandle]> };
      for await (const [name, handle] of all.entries()) {
        if (handle.kind === "directory") {
          stack.push([handle as FileSystemDirectoryHandle, `${path}${name}/`]);
          continue;
        }
        const bytes = new Uint8Array(await (await (handle as FileSystemFileHandle).getFile()).arrayBuffer());
        let text = "";
        for (let i = 0; i < bytes.length; i += 8192) text += String.fromCharCode(...bytes.subarray(i, i + 8192));
        found.push([path + name, btoa(text)]);
      }
    }
    return found;
  });
  for (const [path, base64] of files) {
    mkdirSync(dirname(join(to, path)), { recursive: true });
    writeFileSync(join(to, path), Buffer.from(base64, "base64"));
  }
}

/** From the disk into the browser: what is there stays, and what has the same name is replaced. */
export async function carryIn(page: Page, from: string): Promise<void> {
  const files = [...filesUnder(from)].map(([path, bytes]) => [path, bytes.toString("base64")] as const);
  await page.evaluate(async (list) => {
    const root = await (await navigator.storage.getDirectory()).getDirectoryHandle("Family books", { create: true });
    for (const [path, base64] of list) {
      const parts = path.split("/");
      let at = root;
      for (const name of parts.slice(0, -1)) at = await at.getDirectoryHandle(name, { create: true });
      const to = await (await at.getFileHandle(parts.at(-1)!, { create: true })).createWritable();
      await to.write(Uint8Array.from(atob(base64), (c) => c.charCodeAt(0)));
      await to.close();
    }
  }, files);
}

export const readJson = (folder: string, path: string): unknown => JSON.parse(readFileSync(join(folder, path), "utf8"));
