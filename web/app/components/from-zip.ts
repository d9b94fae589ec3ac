import { BrokenZip, listZip, type ZipEntry } from "#core/files";
import { bytesOf, contentOf } from "../../storage/zip-entry.ts";
import type { IncomingFile } from "../state/library/library-state.ts";

/** The files in an archive, each unpacked when its turn comes. A broken archive is one file that cannot be read. */
export async function fromZip(archive: File): Promise<IncomingFile[]> {
  try {
    const entries = await listZip((from, to) => bytesOf(archive, from, to), archive.size);
    return entries.filter(isWorthTrying).map((entry) => ({ name: nameOf(entry), open: () => unpack(archive, entry) }));
  } catch (e) {
    const why = e instanceof BrokenZip ? e : new BrokenZip("notAZip", String(e));
    return [{ name: archive.name, open: () => Promise.reject(why) }];
  }
}

/** Only the last part of its path: where an archive wants its files to lie is none of its business. */
const nameOf = (entry: ZipEntry): string => entry.path.split(/[\\/]/).at(-1) ?? "";
const isWorthTrying = (entry: ZipEntry): boolean => {
  const name = nameOf(entry);
  return (
    name !== "" &&
    !name.startsWith(".") &&
    !entry.path.startsWith("__MACOSX/") &&
    name !== "Thumbs.db" &&
    name !== "desktop.ini"
  );
};

async function unpack(archive: File, entry: ZipEntry): Promise<File> {
  const content = await contentOf(archive, entry);
  return new File([content], nameOf(entry), { lastModified: new Date(entry.modifiedAt).getTime() });
}
