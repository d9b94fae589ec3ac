import { readFileSync } from "node:fs";
import { strToU8, zipSync } from "fflate";
import { samplePhotos } from "../support/files.ts";
import type { Bend, Put } from "./shape.ts";

export function zips(put: Put, { flipped, cut }: Bend): void {
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

export function projects(put: Put, { below }: Pick<Bend, "below">): void {
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
