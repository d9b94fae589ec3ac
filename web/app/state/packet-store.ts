import { z } from "zod";

/** Files that are being made for one project, in the browser's own file storage, with a record of which are whole. */

const recordSchema = z.object({
  /** Which state of the project, and what was asked for: another one begins anew. */
  mark: z.string(),
  names: z.array(z.string()),
  done: z.array(z.object({ name: z.string(), bytes: z.number() })),
});
export type PacketRecord = z.infer<typeof recordSchema>;

const recordName = "packet.json";

export interface PacketStore {
  readonly folder: string;
  /** What was left behind by a tab that closed; only files that are as long as they were when they were done. */
  read(): Promise<PacketRecord | undefined>;
  write(record: PacketRecord): Promise<void>;
  file(name: string): Promise<Blob | undefined>;
  clear(): Promise<void>;
}

/** Undefined where the browser has no such storage. */
export async function openPacketStore(projectId: string): Promise<PacketStore | undefined> {
  const folder = `packet-${projectId}`;
  const root = await navigator.storage?.getDirectory?.().catch(() => undefined);
  if (!root) return undefined;
  const at = () => root.getDirectoryHandle(folder, { create: true });
  const fileOf = async (name: string) => {
    try {
      return await (await (await at()).getFileHandle(name)).getFile();
    } catch {
      return undefined;
    }
  };
  return {
    folder,
    file: fileOf,
    read: async () => {
      const text = await (await fileOf(recordName))?.text();
      const record = text === undefined ? undefined : recordSchema.safeParse(parsed(text)).data;
      if (!record) return undefined;
      const whole = await Promise.all(record.done.map(async (d) => (await fileOf(d.name))?.size === d.bytes));
      return { ...record, done: record.done.filter((_, i) => whole[i]) };
    },
    write: async (record) => {
      const handle = await (await at()).getFileHandle(recordName, { create: true });
      const to = await handle.createWritable();
      await to.write(JSON.stringify(record));
      await to.close();
    },
    clear: async () => {
      await root.removeEntry(folder, { recursive: true }).catch(() => {});
    },
  };
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}
