import type { IncomingFile } from "../state/library/library-state.ts";

/** Apart, since few photos come in archives. */
const fromZip = async (file: File) => (await import("./from-zip.ts")).fromZip(file);

/** Cameras put a small picture within this much of a file's start. */
const headBytes = 65_536;
const headOf = async (file: File) => new Uint8Array(await file.slice(0, headBytes).arrayBuffer());

const ofFile = (file: File): IncomingFile => ({
  name: file.name,
  open: async () => file,
  head: () => headOf(file),
});

/** Files as they are, zip archives as what is in them. */
export async function fromList(files: Iterable<File>): Promise<IncomingFile[]> {
  const found: IncomingFile[] = [];
  for (const file of [...files].filter(worthTrying))
    found.push(...(isZip(file.name) ? await fromZip(file) : [ofFile(file)]));
  return found;
}

const isZip = (name: string): boolean => /\.zip$/i.test(name);

// What systems leave in folders for themselves; naming each of them as "no picture" would only hide the real ones.
const worthTrying = (f: { readonly name: string }): boolean =>
  !f.name.startsWith(".") && f.name !== "Thumbs.db" && f.name !== "desktop.ini";

/** The files and whole folders of a drop, in the order of their names. Must be called before the drop event ends. */
export async function fromDrop(data: DataTransfer): Promise<IncomingFile[]> {
  const entries = [...data.items].flatMap((item) => {
    const entry = item.kind === "file" ? item.webkitGetAsEntry() : null;
    return entry ? [entry] : [];
  });
  // A drop made by a script has files but no entries.
  if (entries.length === 0) return fromList(data.files);
  const found: IncomingFile[] = [];
  for (const entry of entries) await walk(entry, found);
  return found;
}

async function walk(entry: FileSystemEntry, found: IncomingFile[]): Promise<void> {
  if (entry.isFile && worthTrying(entry)) {
    const file = entry as FileSystemFileEntry;
    const open = () => new Promise<File>((done, failed) => file.file(done, failed));
    if (isZip(entry.name)) found.push(...(await fromZip(await open())));
    else found.push({ name: entry.name, open, head: async () => headOf(await open()) });
  }
  if (!entry.isDirectory) return;
  const reader = (entry as FileSystemDirectoryEntry).createReader();
  const next = () => new Promise<FileSystemEntry[]>((done, failed) => reader.readEntries(done, failed));
  const inside: FileSystemEntry[] = [];
  // A reader hands out a hundred at a time, and an empty list at the end.
  for (let some = await next(); some.length > 0; some = await next()) inside.push(...some);
  inside.sort((a, b) => a.name.localeCompare(b.name, undefined, { numeric: true }));
  for (const one of inside) await walk(one, found);
}
