import { crc32 } from "#core/files";

/**
 * Notes as a text that survives a mail: letters that no mail program changes, in short lines between two marks, with a checksum.
 * What stands before and after, line breaks, blanks, and marks of quoting between the letters do no harm.
 */

const begin = "[notes begin]";
const end = "[notes end]";
const lineLetters = 64;
const alphabet = "ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789-_";

/** `bytes`: of the notes file, in UTF-8. */
export function inMail(bytes: Uint8Array): string {
  const letters = toLetters(bytes);
  const lines = letters.match(new RegExp(`.{1,${lineLetters}}`, "g")) ?? [];
  return [begin, ...lines, `sum ${sumOf(bytes)}`, end].join("\n");
}

/** Whether a text holds notes, whole or not. */
export const saysNotes = (text: string): boolean => text.includes(begin);

/** The bytes between the marks; `none` where there are no such marks, `cut` where something between them is missing or changed. */
export function fromMail(text: string): Uint8Array<ArrayBuffer> | "none" | "cut" {
  const from = text.indexOf(begin);
  if (from < 0) return "none";
  const to = text.indexOf(end, from);
  if (to < 0) return "cut";
  const inside = text.slice(from + begin.length, to).replace(/[\s>|=]+/g, "");
  const parts = /^([A-Za-z0-9_-]*)sum([0-9a-f]{8})$/.exec(inside);
  const bytes = parts && fromLetters(parts[1]!);
  return bytes && sumOf(bytes) === parts[2] ? bytes : "cut";
}

const sumOf = (bytes: Uint8Array): string => crc32(bytes).toString(16).padStart(8, "0");

/** Base64 for addresses, without padding (RFC 4648, section 5). */
function toLetters(bytes: Uint8Array): string {
  const out: string[] = [];
  for (let i = 0; i < bytes.length; i += 3) {
    const [a, b, c] = [bytes[i]!, bytes[i + 1], bytes[i + 2]];
    out.push(alphabet[a >> 2]!, alphabet[((a & 3) << 4) | ((b ?? 0) >> 4)]!);
    if (b !== undefined) out.push(alphabet[((b & 15) << 2) | ((c ?? 0) >> 6)]!);
    if (c !== undefined) out.push(alphabet[c & 63]!);
  }
  return out.join("");
}

function fromLetters(letters: string): Uint8Array<ArrayBuffer> | undefined {
  if (letters.length % 4 === 1) return undefined;
  const bytes = new Uint8Array(Math.floor((letters.length * 3) / 4));
  let [held, bits, at] = [0, 0, 0];
  for (const letter of letters) {
    held = ((held << 6) | alphabet.indexOf(letter)) & 0xffffff;
    bits += 6;
    if (bits < 8) continue;
    bits -= 8;
    bytes[at] = (held >> bits) & 255;
    at += 1;
  }
  return bytes;
}
