// npm run unpack FILE-OR-FOLDER [INTO]: gets the photos and captions out of a project file, a file with everything, or a safe
// folder, with nothing but Node. docs/SAFE-FOLDER.md describes what it reads.
import {
  closeSync,
  existsSync,
  fstatSync,
  mkdirSync,
  openSync,
  readdirSync,
  readFileSync,
  readSync,
  statSync,
  writeFileSync,
} from "node:fs";
import { basename, join } from "node:path";
import { inflateRawSync } from "node:zlib";

const [from, into = "unpacked"] = process.argv.slice(2);
if (!from || !existsSync(from)) {
  process.stderr.write("Which file or folder?  npm run unpack FILE-OR-FOLDER [INTO]\n");
  process.exit(2);
}

/** Names of files, and what is in each. */
const source = statSync(from).isDirectory() ? folder(from) : zip(from);

function folder(root) {
  const names = readdirSync(root, { recursive: true, encoding: "utf8" }).map((n) => n.replaceAll("\\", "/"));
  return {
    names: names.filter((n) => statSync(join(root, n)).isFile()),
    read: (name) => readFileSync(join(root, name)),
  };
}

/** APPNOTE 6.3: the directory stands at the end; sizes beyond four gigabytes stand in an extra field. */
function zip(path) {
  const file = openSync(path, "r");
  process.on("exit", () => closeSync(file));
  const size = fstatSync(file).size;
  const part = (at, length) => {
    const bytes = Buffer.alloc(Math.max(0, Math.min(length, size - at)));
    readSync(file, bytes, 0, bytes.length, at);
    return bytes;
  };
  const tailAt = Math.max(0, size - 66_000);
  const tail = part(tailAt, 66_000);
  const end = tail.lastIndexOf(Buffer.from("PK\x05\x06", "latin1"));
  if (end < 0) throw new Error(`${path} is no whole zip`);
  let [count, length, start] = [tail.readUInt16LE(end + 10), tail.readUInt32LE(end + 12), tail.readUInt32LE(end + 16)];
  const wide = tail.lastIndexOf(Buffer.from("PK\x06\x06", "latin1"));
  if (wide >= 0 && (start === 0xffffffff || count === 0xffff)) {
    count = Number(tail.readBigUInt64LE(wide + 32));
    length = Number(tail.readBigUInt64LE(wide + 40));
    start = Number(tail.readBigUInt64LE(wide + 48));
  }
  const directory = part(start, length);
  const entries = new Map();
  for (let at = 0, i = 0; i < count && at + 46 <= directory.length; i += 1) {
    const [nameLength, extraLength, noteLength] = [28, 30, 32].map((o) => directory.readUInt16LE(at + o));
    let [packed, bytes, offset] = [20, 24, 42].map((o) => directory.readUInt32LE(at + o));
    const extra = directory.subarray(at + 46 + nameLength, at + 46 + nameLength + extraLength);
    for (let e = 0; e + 4 <= extra.length; e += 4 + extra.readUInt16LE(e + 2)) {
      if (extra.readUInt16LE(e) !== 1) continue;
      let field = e + 4;
      const next = () => {
        field += 8;
        return Number(extra.readBigUInt64LE(field - 8));
      };
      if (bytes === 0xffffffff) bytes = next();
      if (packed === 0xffffffff) packed = next();
      if (offset === 0xffffffff) offset = next();
    }
    const name = directory.toString("utf8", at + 46, at + 46 + nameLength);
    entries.set(name, { method: directory.readUInt16LE(at + 10), packed, offset });
    at += 46 + nameLength + extraLength + noteLength;
  }
  return {
    names: [...entries.keys()],
    read: (name) => {
      const { method, packed, offset } = entries.get(name);
      const head = part(offset, 30);
      const data = part(offset + 30 + head.readUInt16LE(26) + head.readUInt16LE(28), packed);
      return method === 0 ? data : inflateRawSync(data);
    },
  };
}

const json = (name) => JSON.parse(source.read(name).toString("utf8"));

/** What is known of each photo, and the name of the file that holds it. */
function photosOf() {
  if (source.names.includes("project.json"))
    return json("project.json").photos.map((p) => ({ ...p, file: `originals/${p.hash}` }));
  // Of a safe folder: what every computer's head says of the library, the later heads last.
  const heads = source.names.filter((n) => /^heads\/[a-z0-9]+\.json$/.test(n)).map(json);
  const byHash = new Map();
  for (const head of heads.sort((a, b) => (a.at < b.at ? -1 : 1))) {
    const state = head.items.library?.state;
    if (!state || !source.names.includes(state)) continue;
    for (const sha of json(state).photos)
      if (source.names.includes(`library/${sha}.json`))
        for (const p of json(`library/${sha}.json`)) byHash.set(p.hash, p);
  }
  return [...byHash.values()].map((p) => ({
    ...p,
    file: source.names.find((n) => n.startsWith(`originals/${p.hash}`)) ?? `originals/${p.hash}`,
  }));
}

mkdirSync(into, { recursive: true });
const taken = new Set();
const lines = [["file", "name", "taken", "caption", "stars"]];
let missing = 0;
for (const photo of photosOf()) {
  if (!source.names.includes(photo.file)) {
    missing += 1;
    process.stderr.write(`${photo.name}: its original is not in there\n`);
    continue;
  }
  // Only the last part of a name, in letters that every disk takes: it came from a file.
  const safe =
    basename(photo.name.replaceAll("\\", "/"))
      .replace(/[^\p{L}\p{N}._ -]/gu, "_")
      .replace(/^\.+/, "_")
      .slice(0, 120) || "photo";
  let name = safe;
  for (let n = 2; taken.has(name.toLowerCase()); n += 1) name = safe.replace(/(\.[^.]*)?$/, ` (${n})$1`);
  taken.add(name.toLowerCase());
  writeFileSync(join(into, name), source.read(photo.file));
  lines.push([name, photo.name, photo.takenAt, photo.caption, String(photo.stars ?? 0)]);
}
const quoted = (text) => `"${String(text).replaceAll('"', '""')}"`;
writeFileSync(join(into, "captions.csv"), `${lines.map((l) => l.map(quoted).join(",")).join("\n")}\n`);
process.stdout.write(
  `${lines.length - 1} photos are in ${into}, with captions.csv beside them${missing ? `; ${missing} are missing` : ""}.\n`,
);
