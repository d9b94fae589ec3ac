import type { ProofData } from "#core/notes";
import { type Author, merged, type NoteEvent } from "#core/notes";

/** What a reader said, kept in this browser where it lets a page that was opened from disk keep anything. */

interface Kept {
  readonly me: Author;
  readonly events: readonly NoteEvent[];
}

/** In a room the same for every state of its pages. */
const keyOf = ({ workId, madeAt, room }: ProofData): string =>
  `tessip-proof ${workId} ${room ? location.pathname : madeAt}`;
/** The same person is the same in the next proof. */
const meKey = "tessip-proof-reader";

export function newKey(): string {
  return [...crypto.getRandomValues(new Uint8Array(12))].map((b) => b.toString(16).padStart(2, "0")).join("");
}

function read<T>(key: string): T | undefined {
  try {
    const text = localStorage.getItem(key);
    return text === null ? undefined : (JSON.parse(text) as T);
  } catch {
    return undefined;
  }
}

export function openKept(data: ProofData): Kept {
  const me = read<Author>(meKey) ?? { key: newKey(), name: "" };
  return { me, events: merged(data.events, read<readonly NoteEvent[]>(keyOf(data)) ?? []) };
}

/** Whether it was kept. */
export function keep(data: ProofData, { me, events }: Kept): boolean {
  const known = new Set(data.events.map((e) => e.id));
  const own = events.filter((e) => !known.has(e.id));
  try {
    const text = JSON.stringify(own);
    localStorage.setItem(keyOf(data), text);
    localStorage.setItem(meKey, JSON.stringify(me));
    return localStorage.getItem(keyOf(data)) === text;
  } catch {
    return false;
  }
}
