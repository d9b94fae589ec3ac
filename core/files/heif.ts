/**
 * The TIFF structure of the Exif item of a HEIF or AVIF file (ISO/IEC 23008-12, A.2.1; boxes as in ISO/IEC 14496-12);
 * undefined where there is none, or where the file is damaged.
 */
export function heifExif(bytes: Uint8Array): Uint8Array | undefined {
  try {
    const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
    const meta = boxes(view, 0, bytes.length).find((b) => b.name === "meta");
    if (!meta) return undefined;
    // A version and flags come before the boxes inside.
    const inside = boxes(view, meta.from + 4, meta.to);
    const infos = inside.find((b) => b.name === "iinf");
    const places = inside.find((b) => b.name === "iloc");
    const id = infos && exifItem(view, infos);
    const place = places && id !== undefined ? placeOf(view, places, id) : undefined;
    if (!place || place.length < 8 || place.at + place.length > bytes.length) return undefined;
    // The item begins with how far behind it the TIFF header stands.
    const from = place.at + 4 + view.getUint32(place.at);
    return from < place.at + place.length ? bytes.subarray(from, place.at + place.length) : undefined;
  } catch {
    // A box that says it is larger than the file.
    return undefined;
  }
}

interface Box {
  readonly name: string;
  /** Of the first byte after the heading. */
  readonly from: number;
  readonly to: number;
}

function boxes(view: DataView, start: number, end: number): Box[] {
  const found: Box[] = [];
  for (let at = start; at + 8 <= end; ) {
    const size = view.getUint32(at);
    const long = size === 1;
    const whole = long ? Number(view.getBigUint64(at + 8)) : size === 0 ? end - at : size;
    if (whole < 8 || at + whole > end) break;
    const name = String.fromCharCode(...[4, 5, 6, 7].map((i) => view.getUint8(at + i)));
    found.push({ name, from: at + (long ? 16 : 8), to: at + whole });
    at += whole;
  }
  return found;
}

function exifItem(view: DataView, infos: Box): number | undefined {
  const wide = view.getUint8(infos.from) > 0;
  for (const info of boxes(view, infos.from + (wide ? 8 : 6), infos.to)) {
    const version = view.getUint8(info.from);
    if (info.name !== "infe" || version < 2) continue;
    const long = version > 2;
    const id = long ? view.getUint32(info.from + 4) : view.getUint16(info.from + 4);
    if (view.getUint32(info.from + (long ? 10 : 8)) === 0x45786966) return id;
  }
  return undefined;
}

function placeOf(
  view: DataView,
  places: Box,
  wanted: number,
): { readonly at: number; readonly length: number } | undefined {
  const version = view.getUint8(places.from);
  const sizes = view.getUint16(places.from + 4);
  const [offsetSize, lengthSize, baseSize] = [(sizes >> 12) & 15, (sizes >> 8) & 15, (sizes >> 4) & 15];
  const indexSize = version === 0 ? 0 : sizes & 15;
  let at = places.from + 6;
  const read = (size: number) => {
    const from = at;
    at += size;
    if (size === 0) return 0;
    return size === 2 ? view.getUint16(from) : size === 8 ? Number(view.getBigUint64(from)) : view.getUint32(from);
  };
  const idSize = version < 2 ? 2 : 4;
  const items = read(idSize);
  for (let i = 0; i < items; i += 1) {
    const id = read(idSize);
    const method = version === 0 ? 0 : read(2) & 15;
    read(2);
    const base = read(baseSize);
    const extents = read(2);
    for (let k = 0; k < extents; k += 1) {
      read(indexSize);
      const place = { at: base + read(offsetSize), length: read(lengthSize) };
      // One that lies in pieces, or not in the file itself, is no Exif that a camera wrote.
      if (id === wanted && extents === 1 && method === 0) return place;
    }
  }
  return undefined;
}
