import type { Order, Packet } from "#core/lab";
import { orderSchema } from "#core/lab/schema";
import { WorkerError } from "../../../workers/protocol.ts";

/** What is sent: the packet without what follows from its files. */
export interface PacketAbout extends Omit<Packet, "files" | "schema"> {
  readonly holdsOf: (name: string) => Packet["files"][number]["holds"];
  /** How many of each file are wanted: of a book, how many books. */
  readonly copies: number;
  /** Of one file, where files are wanted in different numbers. */
  readonly copiesOf?: ((name: string) => number | undefined) | undefined;
  /** By its id in the lab's card, where files have sizes of their own. */
  readonly sizeOf?: ((name: string) => string | undefined) | undefined;
}

export interface NamedFile {
  readonly name: string;
  readonly file: Blob;
}

/** Small enough to be sent again when it is lost on the way. */
const partBytes = 4_000_000;
const mostTries = 3;

const hex = (bytes: ArrayBuffer): string =>
  [...new Uint8Array(bytes)].map((b) => b.toString(16).padStart(2, "0")).join("");

/** The list of what goes to the lab, with its checksums. */
export async function packetOf(
  { holdsOf, sizeOf, copiesOf, copies, ...about }: PacketAbout,
  files: readonly NamedFile[],
): Promise<Packet> {
  const listed = [];
  for (const { name, file } of files) {
    const sha256 = hex(await crypto.subtle.digest("SHA-256", await file.arrayBuffer()));
    const sizeId = sizeOf?.(name);
    const size = sizeId === undefined ? {} : { sizeId };
    listed.push({ name, bytes: file.size, sha256, copies: copiesOf?.(name) ?? copies, holds: holdsOf(name), ...size });
  }
  return { schema: 1, ...about, files: listed };
}

/** Asks the lab. Failure codes: `labGone` where nobody answers, `labFull`, and the lab's own. */
async function ask(path: string, how: RequestInit): Promise<unknown> {
  const answer = await fetch(`/lab${path}`, how).catch((e: unknown) => {
    if (how.signal?.aborted) throw e;
    throw new WorkerError("labGone", String(e));
  });
  const said = (await answer.json().catch(() => ({}))) as { code?: string };
  if (!answer.ok) throw new WorkerError(said.code ?? "labGone", String(answer.status));
  return said;
}

export const findOrder = async (id: string, signal?: AbortSignal): Promise<Order> =>
  orderSchema.parse(await ask(`/orders/${id}`, signal ? { signal } : {}));

export interface Sending {
  readonly signal: AbortSignal;
  /** 0 to 1. */
  readonly onProgress: (share: number) => void;
  /** An order of the same files that was begun before: what has arrived of it is not sent again. */
  readonly begunAs: string | undefined;
  readonly onBegun: (order: Order) => Promise<void>;
}

/**
 * Sends a packet in parts, each from where the lab has the file so far. Gives back the lab's answer: a receipt, or reasons.
 * Throws a WorkerError where the line is cut more often than it is worth trying again.
 */
export async function sendPacket(packet: Packet, files: readonly NamedFile[], how: Sending): Promise<Order> {
  const { signal, onProgress } = how;
  const before = how.begunAs === undefined ? undefined : await findOrder(how.begunAs, signal).catch(() => undefined);
  const order =
    before?.stage === "sending"
      ? before
      : orderSchema.parse(await ask("/orders", { method: "POST", body: JSON.stringify(packet), signal }));
  await how.onBegun(order);
  const all = files.reduce((sum, { file }) => sum + file.size, 0);
  let sent = 0;
  for (const { name, file } of files) {
    let [at, tries] = [order.arrived[name] ?? 0, 0];
    while (at < file.size) {
      try {
        const end = Math.min(file.size, at + partBytes);
        await ask(`/orders/${order.id}/files/${encodeURIComponent(name)}`, {
          method: "PUT",
          headers: { "upload-offset": String(at) },
          body: file.slice(at, end),
          signal,
        });
        [at, tries] = [end, 0];
      } catch (e) {
        tries += 1;
        if (signal.aborted || tries >= mostTries) throw e;
        at = (await findOrder(order.id, signal)).arrived[name] ?? 0;
      }
      onProgress((sent + at) / all);
    }
    sent += file.size;
  }
  return orderSchema.parse(await ask(`/orders/${order.id}/finish`, { method: "POST", signal }));
}
