import { execFileSync } from "node:child_process";
import {
  closeSync,
  mkdirSync,
  mkdtempSync,
  openSync,
  readdirSync,
  readFileSync,
  rmSync,
  statfsSync,
  unlinkSync,
  writeFileSync,
  writeSync,
} from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";

/** A disk of its own for a browser's profile, small enough to be filled to the last block. Needs root, as CI has. */
export class SmallDisk {
  /** Not every machine lets a disk be mounted. */
  static possible(): boolean {
    const at = mkdtempSync(join(tmpdir(), "tessip-mount-"));
    try {
      new SmallDisk(at, 1).gone();
      return true;
    } catch {
      process.stdout.write("No disk can be mounted here: what a full disk does is not looked at.\n");
      return false;
    }
  }

  readonly path: string;

  constructor(path: string, megabytes: number) {
    this.path = path;
    mkdirSync(path, { recursive: true });
    execFileSync("mount", ["-t", "tmpfs", "-o", `size=${megabytes}m`, "tmpfs", path]);
  }

  get freeBytes(): number {
    const { bavail, bsize } = statfsSync(this.path);
    return Number(bavail) * Number(bsize);
  }

  /** Leaves no byte. */
  fill(): void {
    const file = openSync(join(this.path, "filler"), "a");
    try {
      for (let size = 1 << 20; size >= 1; size = Math.floor(size / 4))
        for (let wrote = size; wrote === size; ) {
          try {
            wrote = writeSync(file, Buffer.alloc(size, 1));
          } catch {
            wrote = 0;
          }
        }
    } finally {
      closeSync(file);
    }
  }

  /** Fills what a starting browser frees, again and again, until the promise is settled. */
  async keptFull(until: () => Promise<unknown>): Promise<void> {
    const filling = setInterval(() => this.fill(), 20);
    await until().finally(() => clearInterval(filling));
  }

  makeRoom(): void {
    unlinkSync(join(this.path, "filler"));
  }

  gone(): void {
    execFileSync("umount", ["-l", this.path]);
    rmSync(this.path, { recursive: true, force: true });
  }
}

/** The database of a closed browser's profile is gone, as after a crash that damaged it. */
export const loseDatabase = (profile: string): void =>
  rmSync(join(profile, "Default", "IndexedDB"), { recursive: true, force: true });

/** The private files are gone. */
export const losePrivateFiles = (profile: string): void =>
  rmSync(join(profile, "Default", "File System"), { recursive: true, force: true });

/** The browser itself promises to keep everything; no protocol can make it do so, only its own record of sites. */
export function promiseToKeep(profile: string, origin: string): void {
  const path = join(profile, "Default", "Preferences");
  const all = JSON.parse(readFileSync(path, "utf8"));
  all.profile = { ...all.profile };
  const settings = { ...all.profile.content_settings };
  const granted = { last_modified: "13370000000000000", setting: 1 };
  const durable = { ...settings.exceptions?.durable_storage, [`${origin},*`]: granted };
  all.profile.content_settings = { ...settings, exceptions: { ...settings.exceptions, durable_storage: durable } };
  writeFileSync(path, JSON.stringify(all));
}

/** Every file under a folder, with what is in it. */
export function filesUnder(folder: string, inside = ""): Map<string, Buffer> {
  const found = new Map<string, Buffer>();
  for (const entry of readdirSync(join(folder, inside), { withFileTypes: true })) {
    const path = inside ? `${inside}/${entry.name}` : entry.name;
    if (entry.isDirectory()) for (const [p, b] of filesUnder(folder, path)) found.set(p, b);
    else found.set(path, readFileSync(join(folder, path)));
  }
  return found;
}
