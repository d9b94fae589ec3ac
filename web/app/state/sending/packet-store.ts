import { z } from "zod";
import type { FileJobs } from "../../../workers/jobs.ts";
import { portOf, WorkerClient } from "../../../workers/worker-client.ts";

/** Files that are being made for one project, in the browser's own file storage, with a record of which are whole. */

const recordSchema = z.object({
  /** Of two records the one with the greater count is the newer. */
  count: z.number().default(0),
  /** Which state of the project, and what was asked for: another one begins anew. */
  mark: z.string(),
  names: z.array(z.string()),
  done: z.array(z.object({ name: z.string(), bytes: z.number() })),
});
export type PacketRecord = Omit<z.infer<typeof recordSchema>, "count">;

/** Written in turn, so that one of them is whole whenever the other is being written. */
const recordNames = ["packet-a.json", "packet-b.json"] as const;

const writing = new WorkerClient<FileJobs>(() =>
  portOf(new Worker(new URL("../../../worker-programs/files.worker.ts", import.meta.url), { type: "module" })),
);

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
  const newest = async () => {
    const texts = await Promise.all(recordNames.map(async (name) => (await fileOf(name))?.text()));
    const records = texts.flatMap((t) => (t === undefined ? [] : (recordSchema.safeParse(parsed(t)).data ?? [])));
    return records.sort((a, b) => b.count - a.count)[0];
  };
  return {
    folder,
    file: fileOf,
    read: async () => {
      const record = await newest();
      if (!record) return undefined;
      const whole = await Promise.all(record.done.map(async (d) => (await fileOf(d.name))?.size === d.bytes));
      return { ...record, done: record.done.filter((_, i) => whole[i]) };
    },
    write: async (record) => {
      const count = ((await newest())?.count ?? 0) + 1;
      const name = recordNames[count % 2]!;
      await writing.run("writePrivate", { folder, name, text: JSON.stringify({ ...record, count }) });
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
