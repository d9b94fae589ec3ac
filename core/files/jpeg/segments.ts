/** ITU-T T.81 markers that matter here. */
export const marker = { soi: 0xd8, eoi: 0xd9, sos: 0xda, app0: 0xe0, app1: 0xe1, app2: 0xe2, dqt: 0xdb } as const;

export interface Segment {
  readonly marker: number;
  /** Of the 0xff before the marker. */
  readonly start: number;
  /** Of the first byte after the segment. */
  readonly end: number;
}

export type JpegTrouble = "notAJpeg" | "cutOff";

export class BrokenJpeg extends Error {
  readonly code: JpegTrouble;
  constructor(code: JpegTrouble, at: number) {
    super(`JPEG ${code === "cutOff" ? "ends" : "is no JPEG"} at byte ${at}`);
    this.code = code;
  }
}

/** The segments from after SOI up to and with the first SOS, whose end is that of its header. */
export function headerSegments(bytes: Uint8Array): Segment[] {
  if (bytes[0] !== 0xff || bytes[1] !== marker.soi) throw new BrokenJpeg("notAJpeg", 0);
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const found: Segment[] = [];
  let at = 2;
  for (;;) {
    while (bytes[at] === 0xff && bytes[at + 1] === 0xff) at += 1;
    if (at + 4 > bytes.length) throw new BrokenJpeg("cutOff", at);
    if (bytes[at] !== 0xff) throw new BrokenJpeg("notAJpeg", at);
    const kind = bytes[at + 1]!;
    const end = at + 2 + view.getUint16(at + 2);
    if (end > bytes.length) throw new BrokenJpeg("cutOff", at);
    found.push({ marker: kind, start: at, end });
    if (kind === marker.sos) return found;
    at = end;
  }
}

/** Whether the picture data is closed by an end marker; what a copy that was cut off lacks. */
export function hasEnd(bytes: Uint8Array): boolean {
  const sos = headerSegments(bytes).at(-1)!;
  // From the back, since phones put other data behind the picture and a search from the front reads it all.
  for (let at = bytes.length - 2; at >= sos.end; at -= 1)
    if (bytes[at] === 0xff && bytes[at + 1] === marker.eoi) return true;
  return false;
}
