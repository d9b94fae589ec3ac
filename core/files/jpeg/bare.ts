import { headerSegments, marker } from "./segments.ts";

/** Says how colours were coded; without it some pictures come out in false colours. */
const adobe = 0xee;

/**
 * The picture of a JPEG without what was written beside it: where and with what it was taken, small previews, comments,
 * its profile. Picture data is the same, byte for byte. In parts, so that it need not be copied. Throws a BrokenJpeg.
 */
export function bareJpeg(bytes: Uint8Array<ArrayBuffer>): Uint8Array<ArrayBuffer>[] {
  const segments = headerSegments(bytes);
  const beside = (m: number) => (m >= marker.app0 && m <= 0xef && m !== marker.app0 && m !== adobe) || m === 0xfe;
  return [
    bytes.subarray(0, 2),
    ...segments.filter((s) => !beside(s.marker)).map((s) => bytes.subarray(s.start, s.end)),
    bytes.subarray(segments.at(-1)!.end),
  ];
}
