import { readFileSync } from "node:fs";
import { crc32, deflateSync } from "node:zlib";
import { strToU8, zipSync } from "fflate";
import sharp from "sharp";
import { pngThatSays, samplePhotos } from "../support/files.ts";

/** Where a file is given to the application. */
export type Door = "photos" | "papers" | "project" | "everything" | "templates" | "lab" | "finished" | "paste";

export interface Hostile {
  readonly name: string;
  readonly door: Door;
  readonly bytes: Uint8Array;
}

/** Mulberry32. */
export function seeded(seed: number): () => number {
  let a = seed;
  return () => {
    a = (a + 0x6d2b79f5) | 0;
    let t = Math.imul(a ^ (a >>> 15), 1 | a);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296;
  };
}

const bytesOf = (text: string) => new TextEncoder().encode(text);
const svg = (inside: string, more = 'viewBox="0 0 100 100"') =>
  `<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" ${more}>${inside}</svg>`;

/** Files that are cut off, damaged, that lie about their size, loop, or try to run something; the same for the same seed. */
export async function hostileFiles(seed: number): Promise<readonly Hostile[]> {
  const random = seeded(seed);
  const all: Hostile[] = [];
  const put = (door: Door, name: string, bytes: Uint8Array | string) =>
    all.push({ door, name, bytes: typeof bytes === "string" ? bytesOf(bytes) : bytes });
  const below = (n: number) => Math.floor(random() * n);
  const flipped = (bytes: Uint8Array, count: number, from = 0) => {
    const bad = Uint8Array.from(bytes);
    for (let i = 0; i < count; i += 1) bad[from + below(bad.length - from)]! ^= 1 << below(8);
    return bad;
  };
  const cut = (bytes: Uint8Array) => bytes.slice(0, 20 + below(bytes.length - 20));

  await pictures(put, { flipped, cut, below });
  drawings(put);
  zips(put, { flipped, cut, below });
  projects(put, { below });
  texts(put);
  documents(put, { flipped, cut, below });
  return all;
}

type Put = (door: Door, name: string, bytes: Uint8Array | string) => void;
interface Bend {
  readonly flipped: (bytes: Uint8Array, count: number, from?: number) => Uint8Array;
  readonly cut: (bytes: Uint8Array) => Uint8Array;
  readonly below: (n: number) => number;
}

async function pictures(put: Put, { flipped, cut, below }: Bend): Promise<void> {
  const base = sharp({ create: { width: 320, height: 240, channels: 3, background: "#3a7" } });
  const [jpeg, png, webp, avif, gif, tiff] = await Promise.all([
    base.clone().jpeg().toBuffer(),
    base.clone().png().toBuffer(),
    base.clone().webp().toBuffer(),
    base.clone().avif().toBuffer(),
    base.clone().gif().toBuffer(),
    base.clone().tiff({ compression: "lzw" }).toBuffer(),
  ]);
  const photo = readFileSync(samplePhotos(1)[0]!);
  const heic = readFileSync(new URL("../fixtures/halves.heic", import.meta.url));
  const kinds = { jpeg, png, webp, avif, gif, tiff, heic } as const;
  for (const [kind, bytes] of Object.entries(kinds)) {
    for (let i = 0; i < 4; i += 1) put("photos", `cut-${i}.${kind}`, cut(bytes));
    for (let i = 0; i < 5; i += 1) put("photos", `flipped-${i}.${kind}`, flipped(bytes, 1 + below(20), 12));
  }
  for (let i = 0; i < 4; i += 1) put("photos", `photo-flipped-${i}.jpg`, flipped(photo, 40, 2));
  const frame = Buffer.from(jpeg);
  const sof = frame.findIndex((b, i) => b === 0xff && [0xc0, 0xc2].includes(frame[i + 1]!));
  for (const [w, h] of [
    [65_535, 65_535],
    [0, 0],
    [65_535, 1],
  ] as const) {
    const lies = Buffer.from(frame);
    lies.writeUInt16BE(h, sof + 5);
    lies.writeUInt16BE(w, sof + 7);
    put("photos", `says-${w}x${h}.jpg`, lies);
  }
  for (const [w, h] of [
    [2 ** 31 - 1, 2 ** 31 - 1],
    [60_000, 60_000],
    [0, 5],
    [16_000, 16_000],
  ] as const)
    put("photos", `says-${w}x${h}.png`, pngThatSays(w, h));
  put("photos", "zeros.png", zerosPng(20_000, 13_000));
  put("photos", "empty.jpg", new Uint8Array(0));
  put("photos", "words.jpg", "Dear diary, this is no picture.");
  put("photos", "page.png", "<html><script>document.title='ran'</script></html>");
  put("photos", "polyglot.jpg", Buffer.concat([jpeg, zipSync({ "a.jpg": jpeg })]));
  put(
    "photos",
    "noise.bmp",
    Buffer.concat([Buffer.from("BM"), Buffer.from(Array.from({ length: 400 }, () => below(256)))]),
  );
  put("photos", "says-a-lot.bmp", bitmapThatSays(60_000, 60_000));
  for (const [i, bytes] of loopingTiffs().entries()) put("photos", `claims-${i}.tif`, bytes);
  put("photos", "exif-loop.jpg", withExifLoop(jpeg));
  put(
    "photos",
    "xmp-bomb.jpg",
    withXmp(jpeg, `<!DOCTYPE x [<!ENTITY a "aaaaaaaaaa">]><x:xmpmeta>${"&a;".repeat(9000)}</x:xmpmeta>`),
  );
  for (const name of [
    "../../climbs.jpg",
    "CON.jpg",
    `${"n".repeat(600)}.jpg`,
    "<img src=x onerror=document.title='ran'>.jpg",
    "\u202egpj.exe.jpg",
    "a\u0000b.jpg",
  ])
    put("photos", name, Buffer.concat([jpeg, Buffer.from(name)]));
}

function zerosPng(width: number, height: number): Uint8Array {
  const chunk = (name: string, data: Buffer) => {
    const out = Buffer.alloc(12 + data.length);
    out.writeUInt32BE(data.length, 0);
    out.write(name, 4, "latin1");
    data.copy(out, 8);
    out.writeUInt32BE(crc32(out.subarray(4, 8 + data.length)), 8 + data.length);
    return out;
  };
  const head = Buffer.alloc(13);
  head.writeUInt32BE(width, 0);
  head.writeUInt32BE(height, 4);
  head.set([1, 0, 0, 0, 0], 8);
  const rows = deflateSync(Buffer.alloc((1 + Math.ceil(width / 8)) * height), { level: 9 });
  return Buffer.concat([
    Buffer.from("\x89PNG\r\n\x1a\n", "latin1"),
    chunk("IHDR", head),
    chunk("IDAT", rows),
    chunk("IEND", Buffer.alloc(0)),
  ]);
}

function bitmapThatSays(width: number, height: number): Uint8Array {
  const out = Buffer.alloc(60);
  out.write("BM");
  out.writeUInt32LE(54, 10);
  out.writeUInt32LE(40, 14);
  out.writeInt32LE(width, 18);
  out.writeInt32LE(height, 22);
  out.writeUInt16LE(1, 26);
  out.writeUInt16LE(24, 28);
  return out;
}

/** TIFF files whose directories lead back to themselves, or that claim what they cannot hold. */
function loopingTiffs(): Uint8Array[] {
  const make = (next: number, tags: readonly (readonly [number, number, number, number])[]) => {
    const out = Buffer.alloc(600);
    out.write("II");
    out.writeUInt16LE(42, 2);
    out.writeUInt32LE(8, 4);
    out.writeUInt16LE(tags.length, 8);
    for (const [i, [tag, type, count, value]] of tags.entries()) {
      out.writeUInt16LE(tag, 10 + 12 * i);
      out.writeUInt16LE(type, 12 + 12 * i);
      out.writeUInt32LE(count, 14 + 12 * i);
      out.writeUInt32LE(value, 18 + 12 * i);
    }
    out.writeUInt32LE(next, 10 + 12 * tags.length);
    return out;
  };
  const size = (w: number, h: number) =>
    [
      [256, 4, 1, w],
      [257, 4, 1, h],
    ] as const;
  const deep = (compression: number) =>
    [
      [258, 3, 1, 8],
      [259, 3, 1, compression],
      [277, 3, 1, 3],
      [273, 4, 1, 200],
      [279, 4, 1, 100],
    ] as const;
  return [
    make(8, size(3, 2)),
    make(0, [...size(20_000, 20_000), ...deep(1)]),
    make(0, [...size(20_000, 20_000), ...deep(5)]),
    make(0, [...size(10_000, 10_000), ...deep(8)]),
    make(0, [
      [256, 4, 2 ** 31, 8],
      [257, 4, 1, 8],
    ]),
    make(0, [...size(9, 9), [330, 4, 1, 8]]),
    make(0xfffffff0, size(3, 2)),
    make(0, [...size(11_000, 10_900), ...deep(4)]),
    make(0, [...size(0, 0), ...deep(1)]),
  ];
}

function withExifLoop(jpeg: Uint8Array): Uint8Array {
  const tiff = Buffer.alloc(40);
  tiff.write("II");
  tiff.writeUInt16LE(42, 2);
  tiff.writeUInt32LE(8, 4);
  tiff.writeUInt16LE(1, 8);
  tiff.writeUInt16LE(0x8769, 10);
  tiff.writeUInt16LE(4, 12);
  tiff.writeUInt32LE(1, 14);
  tiff.writeUInt32LE(8, 18);
  tiff.writeUInt32LE(8, 22);
  return withSegment(jpeg, 0xe1, Buffer.concat([Buffer.from("Exif\0\0", "latin1"), tiff]));
}

const withXmp = (jpeg: Uint8Array, xmp: string) =>
  withSegment(jpeg, 0xe1, Buffer.from(`http://ns.adobe.com/xap/1.0/\0${xmp}`, "latin1"));

const withSegment = (jpeg: Uint8Array, marker: number, body: Buffer) =>
  Buffer.concat([
    jpeg.subarray(0, 2),
    Buffer.from([0xff, marker, (body.length + 2) >> 8, (body.length + 2) & 255]),
    body,
    jpeg.subarray(2),
  ]);

function drawings(put: Put): void {
  const drawing = (name: string, text: string) => put("papers", `${name}.svg`, text);
  let bomb = '<g id="u0"><rect width="9" height="9"/></g>';
  for (let i = 1; i < 12; i += 1) bomb += `<g id="u${i}">${`<use href="#u${i - 1}"/>`.repeat(10)}</g>`;
  drawing("use-bomb", svg(`<defs>${bomb}</defs><use href="#u11"/>`));
  drawing("use-bomb-xlink", svg(`<defs>${bomb.replaceAll("href", "xlink:href")}</defs><use xlink:href="#u11"/>`));
  drawing("use-loop", svg('<g id="a"><use href="#b"/></g><g id="b"><use href="#a"/></g>'));
  drawing("use-itself", svg('<use id="a" href="#a"/>'));
  drawing("segments", svg(`<path d="M0 0${"l1 1".repeat(300_000)}"/>`));
  drawing("polygon", svg(`<polygon points="${"1,2 ".repeat(300_000)}"/>`));
  drawing("elements", svg("<rect width='1' height='1'/>".repeat(140_000)));
  drawing("deep", svg(`${"<g>".repeat(30_000)}${"</g>".repeat(30_000)}`));
  drawing(
    "entities",
    `<!DOCTYPE svg [<!ENTITY a "aaaaaaaaaa"><!ENTITY b "&a;&a;&a;&a;&a;&a;&a;&a;">]>${svg("<text>&b;</text>")}`,
  );
  drawing("entity-file", `<!DOCTYPE svg [<!ENTITY x SYSTEM "file:///etc/passwd">]>${svg("<text>&x;</text>")}`);
  const acts = [
    "<script>document.title='ran'</script>",
    '<script href="https://example.test/x.js"/>',
    '<rect width="9" height="9" onload="document.title=\'ran\'" onclick="document.title=\'ran\'"/>',
    '<image href="x" onerror="document.title=\'ran\'" width="9" height="9"/>',
    "<a href=\"javascript:document.title='ran'\"><text>x</text></a>",
    '<image href="https://example.test/x.png" width="9" height="9"/>',
    '<image href="file:///etc/passwd" width="9" height="9"/>',
    '<use href="https://example.test/x.svg#a"/>',
    "<style>@import 'https://example.test/x.css';</style>",
    "<style>rect{fill:url(https://example.test/x)}</style>",
    "<style>@font-face{font-family:x;src:url(https://example.test/x.woff)}</style>",
    '<foreignObject width="9" height="9"><iframe xmlns="http://www.w3.org/1999/xhtml" src="javascript:1"/></foreignObject>',
    '<foreignObject width="9" height="9"><body xmlns="http://www.w3.org/1999/xhtml" onload="document.title=\'ran\'"/></foreignObject>',
    '<set attributeName="href" to="javascript:1"/>',
    '<animate attributeName="href" values="javascript:1;javascript:2"/>',
    '<filter id="f"><feImage href="https://example.test/x"/></filter><rect filter="url(#f)" width="9" height="9"/>',
    '<rect style="fill:u\\72l(https://example.test)" width="9" height="9"/>',
    '<image href="data:image/svg+xml;base64,PHN2Zy8+" width="9" height="9"/>',
    "<handler type='application/ecmascript'>1</handler>",
    "<desc><![CDATA[</desc><script>document.title='ran'</script>]]></desc>",
    '<text><tspan onfocus="document.title=\'ran\'" tabindex="0" autofocus="">x</tspan></text>',
  ];
  for (const [i, act] of acts.entries())
    drawing(`acts-${i}`, svg(`${act}<rect width="50" height="50" fill="#7f9c56"/>`));
  drawing(
    "pattern-loop",
    svg(
      '<pattern id="p" width="1" height="1"><rect width="9" height="9" fill="url(#p)"/></pattern><rect width="9" height="9" fill="url(#p)"/>',
    ),
  );
  drawing(
    "mask-loop",
    svg('<mask id="m"><rect width="9" height="9" mask="url(#m)"/></mask><rect width="9" height="9" mask="url(#m)"/>'),
  );
  drawing(
    "blur",
    svg(
      '<filter id="f"><feGaussianBlur stdDeviation="100000"/></filter><rect width="99" height="99" filter="url(#f)"/>',
    ),
  );
  drawing("huge", svg('<rect width="9" height="9"/>', 'width="1e30" height="1e30"'));
  drawing("no-size", svg('<rect width="9" height="9"/>', 'width="0" height="-4" viewBox="0 0 0 0"'));
  drawing("nan", svg('<rect width="9" height="9"/>', 'viewBox="a b c d"'));
  drawing("torn", '<svg xmlns="http://www.w3.org/2000/svg"><rect');
  drawing("not-svg", "<html><body>hello</body></html>");
  drawing("empty", "");
  // Each of another colour: the same drawing is never kept twice.
  const plain = (fill: string) =>
    Buffer.from(
      `<?xml version="1.0" encoding="UTF-16"?>${svg(`<circle cx="50" cy="50" r="40" fill="${fill}"/>`)}`,
      "utf16le",
    );
  put("papers", "utf16-le.svg", Buffer.concat([Buffer.from([0xff, 0xfe]), plain("#b7472a")]));
  put("papers", "utf16-be.svg", Buffer.concat([Buffer.from([0xfe, 0xff]), plain("#17757e").swap16()]));
  put("papers", "utf16-no-mark.svg", plain("#7f9c56"));
}

function zips(put: Put, { flipped, cut }: Bend): void {
  const photo = readFileSync(samplePhotos(1, 3)[0]!);
  const good = zipSync({ "holiday/a.jpg": photo, "b.jpg": photo.subarray(0, 900) }, { level: 6 });
  for (let i = 0; i < 6; i += 1) put("photos", `flipped-${i}.zip`, flipped(good, 1 + i * 3));
  for (let i = 0; i < 4; i += 1) put("photos", `cut-${i}.zip`, cut(good));
  put("photos", "bomb.zip", zipSync({ "zeros.jpg": new Uint8Array(40_000_000) }));
  put("photos", "climbs.zip", zipSync({ "../../../etc/cron.d/x.jpg": photo, "/root.jpg": photo, "C:\\x.jpg": photo }));
  put("photos", "nested.zip", zipSync({ "inner.zip": zipSync({ "a.jpg": photo }) }));
  put(
    "photos",
    "many.zip",
    zipSync(Object.fromEntries(Array.from({ length: 21_000 }, (_, i) => [`${i}.jpg`, new Uint8Array(1)]))),
  );
  put("photos", "nothing.zip", zipSync({}));
  put("photos", "no-pictures.zip", zipSync({ "a.txt": strToU8("hello"), "b.exe": strToU8("MZ") }));
  const odd = Uint8Array.from(good);
  const view = new DataView(odd.buffer);
  for (let at = 0; at + 30 < odd.length; at += 1)
    if (view.getUint32(at, true) === 0x02014b50) view.setUint16(at + 10, 99, true);
  put("photos", "unknown-method.zip", odd);
  const far = Uint8Array.from(good);
  const farView = new DataView(far.buffer);
  for (let at = 0; at + 46 < far.length; at += 1)
    if (farView.getUint32(at, true) === 0x02014b50) farView.setUint32(at + 42, 0xfffffff0, true);
  put("photos", "far-away.zip", far);
}

function projects(put: Put, { below }: Pick<Bend, "below">): void {
  const format = { name: "x", widthMm: 200, heightMm: 200, bleedMm: 3, safeMm: 5, ppi: 300 };
  const look = { gapMm: 2, marginMm: 5 };
  const project = (more: object) => ({
    schema: 1,
    id: "w",
    name: "x",
    kind: "collage",
    unit: "mm",
    lab: null,
    format,
    style: look,
    pages: [],
    createdAt: "2026-01-01",
    ...more,
  });
  const file = (head: unknown, more: Record<string, Uint8Array> = {}) =>
    zipSync(
      { "project.json": typeof head === "string" ? strToU8(head) : strToU8(JSON.stringify(head)), ...more },
      { level: 0 },
    );
  const head = (more: object, photos: readonly unknown[] = []) => ({
    format: "tessip-project",
    version: 1,
    project: project(more),
    photos,
    events: [],
  });
  const bad: Record<string, Uint8Array> = {
    "no-pages": file(head({})),
    "deep-json": file(`${"[".repeat(200_000)}${"]".repeat(200_000)}`),
    "not-json": file("{"),
    "no-head": zipSync({ "readme.txt": strToU8("x") }),
    newer: file({ ...head({}), version: 99 }),
    older: file({ ...head({}), version: 0 }),
    negative: file(head({ format: { ...format, widthMm: -5 }, pages: [{}] })),
    infinite: file(JSON.stringify(head({})).replace("200", "1e999")),
    proto: file(
      '{"format":"tessip-project","version":1,"__proto__":{"ran":true},"project":{"__proto__":{"ran":true}},"photos":[],"events":[]}',
    ),
    "many-pages": file(head({ pages: Array.from({ length: 5000 }, (_, i) => ({ id: `p${i}` })) })),
    "script-name": file(head({ name: "<img src=x onerror=document.title='ran'>" })),
    "long-id": file(head({ id: "x".repeat(9000) })),
    "wrong-photos": file(head({}, [{ id: "p", hash: "x" }])),
    "no-originals": file(
      head(
        {},
        Array.from({ length: 50 }, (_, i) => ({ id: `p${i}`, hash: String(i).padStart(64, "0") })),
      ),
    ),
    "climbing-hash": file(head({}, [{ id: "p", hash: "../../../../etc/passwd" }])),
    "is-array": file([]),
    "is-null": file("null"),
  };
  for (const [name, bytes] of Object.entries(bad)) put("project", `${name}.zip`, bytes);
  for (let i = 0; i < 5; i += 1) {
    const text = JSON.stringify(head({ pages: [{ id: "a" }] }));
    const at = below(text.length);
    put("project", `bent-${i}.zip`, file(text.slice(0, at) + String.fromCharCode(33 + below(90)) + text.slice(at + 1)));
  }
  const marker = strToU8('{"format":"tessip-safe-folder","version":1}');
  const headOf = (items: object, more: object = {}) =>
    strToU8(
      JSON.stringify({
        format: "tessip-head",
        version: 1,
        writer: "abcdef",
        label: "",
        revision: 1,
        at: "2026",
        items,
        ...more,
      }),
    );
  const item = (state: unknown) => ({ state, by: "abcdef", n: 1, seen: { abcdef: 1 }, at: "2026" });
  const everything: Record<string, Record<string, Uint8Array>> = {
    "no-marker": { "heads/abcdef.json": headOf({}) },
    newer: { "tessip-safe.json": strToU8('{"format":"tessip-safe-folder","version":9}') },
    climbs: { "tessip-safe.json": marker, "heads/abcdef.json": headOf({ "work:a": item("../../etc/passwd.json") }) },
    "names-nothing": {
      "tessip-safe.json": marker,
      "heads/abcdef.json": headOf({ "work:a": item("works/a-a/00.json"), library: item("library/00.json") }),
    },
    "head-of-another": { "tessip-safe.json": marker, "heads/abcdef.json": headOf({}, { writer: "zzzzzz" }) },
    "proto-item": {
      "tessip-safe.json": marker,
      "heads/abcdef.json": strToU8(
        '{"format":"tessip-head","version":1,"writer":"abcdef","label":"","revision":1,"at":"","items":{"__proto__":{"state":null}}}',
      ),
    },
    "wrong-hash": {
      "tessip-safe.json": marker,
      "heads/abcdef.json": headOf({ "work:a": item(`works/a-a/${"0".repeat(64)}.json`) }),
      [`works/a-a/${"0".repeat(64)}.json`]: strToU8("{}"),
    },
    "deletes-all": {
      "tessip-safe.json": marker,
      "heads/abcdef.json": headOf({ "work:a": item(null), library: item(null) }),
    },
  };
  for (const [name, files] of Object.entries(everything))
    put("everything", `${name}.zip`, zipSync(files, { level: 0 }));
}

/** JSON that nearly is what it says. */
function texts(put: Put): void {
  const template = { kind: "tessip-templates", version: 1, templates: [] as unknown[] };
  const bent: Record<string, unknown> = {
    none: template,
    "not-ours": { kind: "other" },
    nulls: { ...template, templates: [null, null] },
    "no-tree": { ...template, templates: [{ id: "a", name: "b" }] },
    "long-name": { ...template, templates: [{ id: "a", name: "n".repeat(100_000), tree: {} }] },
    many: { ...template, templates: Array.from({ length: 9000 }, () => ({ id: "a" })) },
    "deep-tree": { ...template, templates: [{ id: "a", name: "b", tree: nested(2000) }] },
    number: 7,
  };
  for (const [name, value] of Object.entries(bent)) put("templates", `${name}.json`, JSON.stringify(value));
  put("templates", "torn.json", '{"kind":"tessip-templates","version":1,');
  put("templates", "proto.json", '{"kind":"tessip-templates","version":1,"templates":[{"__proto__":{"ran":1}}]}');
  put("templates", "large.json", `{"kind":"tessip-templates","x":"${"x".repeat(9_000_000)}"}`);
  const card = JSON.parse(readFileSync("demo/labs/fernhill-prints.json", "utf8"));
  const cards: Record<string, unknown> = {
    "no-sizes": { ...card, sizes: [] },
    negative: { ...card, bleedMm: -4 },
    huge: { ...card, sizes: [{ ...card.sizes[0], widthMm: 1e9 }] },
    "many-sizes": { ...card, sizes: Array.from({ length: 20_000 }, () => card.sizes[0]) },
    "climbing-name": { ...card, file: { ...card.file, name: "../../{page}" } },
    script: { ...card, name: "<script>document.title='ran'</script>" },
    "odd-ppi": { ...card, ppi: { wanted: 0, least: -1 } },
    proto: { ...card, id: "__proto__" },
    array: [card],
    "nan-price": { ...card, sizes: [{ ...card.sizes[0], price: "NaN" }] },
  };
  for (const [name, value] of Object.entries(cards)) put("lab", `${name}.json`, JSON.stringify(value));
  put("lab", "torn.json", "{");
  put("lab", "large.json", JSON.stringify({ ...card, about: "a".repeat(4_000_000) }));
  put("paste", "script.txt", "<script>document.title='ran'</script>");
  put("paste", "handler.txt", "<img src=x onerror=document.title='ran'>");
  put("paste", "controls.txt", "a\u0000b\u0007c\u202ed\ufeffe\u2028f");
  put("paste", "long.txt", "word ".repeat(40_000));
  put("paste", "zalgo.txt", `a${"\u0301".repeat(3000)}`);
}

function nested(depth: number): unknown {
  let tree: unknown = { kind: "place" };
  for (let i = 0; i < depth; i += 1) tree = { kind: "cut", parts: [tree] };
  return tree;
}

function documents(put: Put, { flipped, cut }: Bend): void {
  const pdf = (objects: readonly string[]) => {
    let text = "%PDF-1.7\n";
    const at: number[] = [];
    for (const [i, o] of objects.entries()) {
      at.push(text.length);
      text += `${i + 1} 0 obj\n${o}\nendobj\n`;
    }
    const table = `xref\n0 ${objects.length + 1}\n0000000000 65535 f \n${at.map((n) => `${String(n).padStart(10, "0")} 00000 n \n`).join("")}`;
    return bytesOf(
      `${text}${table}trailer\n<< /Size ${objects.length + 1} /Root 1 0 R >>\nstartxref\n${text.length}\n%%EOF\n`,
    );
  };
  const page = "<< /Type /Page /Parent 2 0 R /MediaBox [0 0 200 200] >>";
  const good = pdf(["<< /Type /Catalog /Pages 2 0 R >>", "<< /Type /Pages /Kids [3 0 R] /Count 1 >>", page]);
  for (let i = 0; i < 4; i += 1) put("finished", `flipped-${i}.pdf`, flipped(good, 4 + i * 6, 9));
  for (let i = 0; i < 3; i += 1) put("finished", `cut-${i}.pdf`, cut(good));
  put(
    "finished",
    "loops.pdf",
    pdf(["<< /Type /Catalog /Pages 2 0 R >>", "<< /Type /Pages /Kids [2 0 R] /Count 1000000 >>"]),
  );
  put(
    "finished",
    "runs.pdf",
    pdf([
      "<< /Type /Catalog /Pages 2 0 R /OpenAction << /S /JavaScript /JS (app.alert\\(1\\)) >> >>",
      "<< /Type /Pages /Kids [3 0 R] /Count 1 >>",
      page,
    ]),
  );
  put(
    "finished",
    "huge.pdf",
    pdf([
      "<< /Type /Catalog /Pages 2 0 R >>",
      "<< /Type /Pages /Kids [3 0 R] /Count 1 >>",
      "<< /Type /Page /Parent 2 0 R /MediaBox [0 0 1e9 1e9] >>",
    ]),
  );
  put("finished", "no-pages.pdf", pdf(["<< /Type /Catalog >>"]));
  put("finished", "words.pdf", "%PDF-1.7 and nothing else");
}
