import { crc32, viewOf } from "#core/files";

/**
 * One record of the journal is one transaction: there as a whole or not at all. Little-endian: magic "TSJ1", bytes of the
 * payload, sequence number, CRC-32 of the two numbers and the payload; then the payload, UTF-8: for each change a line with its
 * key, `["store",key]`, and a line with its value as JSON, which is empty where the key was removed. JSON never holds a bare
 * line feed, so what is kept can be sorted by key without reading the values.
 */

/** A key as the database has it. */
export type Key = string | readonly [string, string | number];
/** `value` missing: the key is removed. */
export interface Change {
  readonly store: string;
  readonly key: Key;
  readonly value?: unknown;
}
/** The two lines of a change; `value` is "" where the key was removed. */
export interface Line {
  readonly key: string;
  readonly value: string;
}
export interface Entry {
  readonly seq: number;
  readonly lines: readonly Line[];
}

const magic = 0x314a5354;
export const headBytes = 16;

export const keyLine = (store: string, key: Key): string => JSON.stringify([store, key]);

export const lineOf = ({ store, key, value }: Change): Line => ({
  key: keyLine(store, key),
  value: value === undefined ? "" : JSON.stringify(value),
});

export function changeOf({ key, value }: Line): Change {
  const [store, at] = JSON.parse(key) as [string, Key];
  return value === "" ? { store, key: at } : { store, key: at, value: JSON.parse(value) };
}

const sumOf = (record: Uint8Array): number => crc32(record.subarray(headBytes), crc32(record.subarray(4, 12)));

export function encode({ seq, lines }: Entry): Uint8Array<ArrayBuffer> {
  const payload = new TextEncoder().encode(lines.map((l) => `${l.key}\n${l.value}\n`).join(""));
  const record = new Uint8Array(headBytes + payload.length);
  const view = viewOf(record);
  view.setUint32(0, magic, true);
  view.setUint32(4, payload.length, true);
  view.setUint32(8, seq, true);
  record.set(payload, headBytes);
  view.setUint32(12, sumOf(record), true);
  return record;
}

function linesOf(payload: Uint8Array): readonly Line[] {
  const parts = new TextDecoder().decode(payload).split("\n");
  const lines: Line[] = [];
  for (let i = 0; i + 1 < parts.length; i += 2) lines.push({ key: parts[i]!, value: parts[i + 1]! });
  return lines;
}

/** The whole records from `at` on, which follow each other by number; `end` is where the good beginning ends. */
export function decode(bytes: Uint8Array, at = 0): { readonly entries: readonly Entry[]; readonly end: number } {
  const view = viewOf(bytes);
  const entries: Entry[] = [];
  while (at + headBytes <= bytes.length && view.getUint32(at, true) === magic) {
    const end = at + headBytes + view.getUint32(at + 4, true);
    const seq = view.getUint32(at + 8, true);
    const before = entries.at(-1);
    if (end > bytes.length || (before && seq !== before.seq + 1)) break;
    const record = bytes.subarray(at, end);
    if (sumOf(record) !== view.getUint32(at + 12, true)) break;
    entries.push({ seq, lines: linesOf(record.subarray(headBytes)) });
    at = end;
  }
  return { entries, end: at };
}

/** Whether a whole record stands somewhere behind the good beginning: then the damage lies in the middle, not at the end. */
export function holdsMoreAfter(bytes: Uint8Array, from: number): boolean {
  for (let at = from + 1; at + headBytes < bytes.length; at += 1)
    if (bytes[at] === 0x54 && bytes[at + 1] === 0x53 && decode(bytes, at).entries.length > 0) return true;
  return false;
}
