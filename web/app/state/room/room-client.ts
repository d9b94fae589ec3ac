import type { NoteEvent } from "#core/notes";
import { sha256 } from "../../../storage/sha256.ts";
import type { OpenRoom } from "../../../storage/store.ts";
import type { PaintedProof } from "../proof/make-proof.ts";
import { plainWordsOf } from "../proof/proof-file.ts";

export const mailKinds = ["invitation", "newNotes", "newState", "approval"] as const;
export type MailKind = (typeof mailKinds)[number];
export type Mails = Readonly<Record<MailKind, { readonly subject: string; readonly text: string }>>;

export interface RoomWish {
  readonly endsAt: string;
  readonly passphrase: string;
  readonly makerMail: string;
  readonly readers: readonly string[];
  readonly mails: Mails;
}

export type RoomTrouble = "unreachable" | "roomFull" | "tooOften" | "noSuchRoom" | "refused";

export class RoomError extends Error {
  override readonly name = "RoomError";
  readonly code: RoomTrouble;
  constructor(code: RoomTrouble) {
    super(code);
    this.code = code;
  }
}

const codes: Readonly<Record<number, RoomTrouble>> = {
  404: "noSuchRoom",
  410: "noSuchRoom",
  429: "tooOften",
  507: "roomFull",
};

async function ask(path: string, init: RequestInit = {}): Promise<unknown> {
  const answer = await fetch(`/room/${path}`, init).catch(() => undefined);
  if (!answer) throw new RoomError("unreachable");
  if (!answer.ok) throw new RoomError(codes[answer.status] ?? (answer.status >= 500 ? "unreachable" : "refused"));
  return answer.json().catch(() => {
    throw new RoomError("unreachable");
  });
}

const json = (method: string, value: unknown, signal?: AbortSignal): RequestInit => ({
  method,
  body: JSON.stringify(value),
  ...(signal ? { signal } : {}),
});

export const roomIsHere = (): Promise<boolean> =>
  ask("here").then(
    () => true,
    () => false,
  );

export async function openRoom(wish: RoomWish): Promise<OpenRoom> {
  const { readerKey, makerKey } = (await ask("rooms", json("POST", wish))) as Pick<OpenRoom, "readerKey" | "makerKey">;
  return { readerKey, makerKey, endsAt: wish.endsAt };
}

export interface RoomFacts extends Omit<RoomWish, "passphrase"> {
  readonly states: number;
  readonly passphrase: boolean;
}

export const roomFacts = async ({ makerKey }: OpenRoom): Promise<RoomFacts> =>
  (await ask(`make/${makerKey}`)) as RoomFacts;

export const changeRoom = ({ makerKey }: OpenRoom, wish: Omit<RoomWish, "passphrase">): Promise<unknown> =>
  ask(`make/${makerKey}`, json("PUT", wish));

export const closeRoom = ({ makerKey }: OpenRoom): Promise<unknown> => ask(`make/${makerKey}`, { method: "DELETE" });

export const invite = async ({ makerKey }: OpenRoom): Promise<number> =>
  ((await ask(`make/${makerKey}/invite`, { method: "POST" })) as { readonly written: number }).written;

export const roomNotes = async ({ makerKey }: OpenRoom): Promise<unknown> =>
  ((await ask(`make/${makerKey}/notes`)) as { readonly events: unknown }).events;

export const sayInRoom = ({ makerKey }: OpenRoom, events: readonly NoteEvent[]): Promise<unknown> =>
  ask(`make/${makerKey}/notes`, json("POST", events));

export const streamOf = ({ makerKey }: OpenRoom): string => `/room/make/${makerKey}/stream`;
export const linkOf = ({ readerKey }: OpenRoom): string => `${location.origin}/room/read/${readerKey}`;

/** The pages as they are in a proof: only pictures that the room does not have go there. How many those were. */
export async function showInRoom(
  { makerKey }: OpenRoom,
  { data, pictures }: PaintedProof,
  { signal, onProgress }: { readonly signal: AbortSignal; readonly onProgress: (share: number) => void },
): Promise<number> {
  const hashed = async (list: readonly Blob[]) =>
    Promise.all(list.map(async (blob) => ({ blob, hash: await sha256(await blob.arrayBuffer()) })));
  const [leaves, offers] = [await hashed(pictures.leaves), await hashed(pictures.offers)];
  const byHash = new Map([...leaves, ...offers].map(({ blob, hash }) => [hash, blob]));
  const { lacking } = (await ask(`make/${makerKey}/lacking`, json("POST", [...byHash.keys()], signal))) as {
    readonly lacking: readonly string[];
  };
  for (const [i, hash] of lacking.entries()) {
    await ask(`make/${makerKey}/pictures/${hash}`, { method: "PUT", body: byHash.get(hash)!, signal });
    onProgress((i + 1) / lacking.length);
  }
  const proof = {
    data,
    words: plainWordsOf(data),
    pictures: { leaves: leaves.map((l) => l.hash), offers: offers.map((o) => o.hash) },
  };
  await ask(`make/${makerKey}/proof`, json("PUT", proof, signal));
  return lacking.length;
}
