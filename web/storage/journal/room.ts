import { type FileFolder, type SyncFile, writeWhole } from "./sync-file.ts";

/**
 * Whether there is room on the disk. Browsers' own figures know nothing of it, and any other write that fails can cost
 * everything that is kept: only writing through a sync handle may ask.
 */
export class Room {
  readonly #folder: FileFolder;
  /** Disks may pack zeros, so the bytes are random. */
  readonly #noise = new Uint8Array(noiseBytes);

  constructor(folder: FileFolder) {
    this.#folder = folder;
    for (let at = 0; at < noiseBytes; at += 65_536) crypto.getRandomValues(this.#noise.subarray(at, at + 65_536));
  }

  /** Whether so many bytes fit; nothing stays behind. */
  async fits(bytes: number, flush = true): Promise<boolean> {
    let file: SyncFile | undefined;
    try {
      file = await this.#folder.open("probe");
      for (let at = 0; at < bytes; at += noiseBytes) if (file.write(this.#noise, { at }) < noiseBytes) return false;
      if (flush) file.flush();
      return true;
    } catch {
      return false;
    } finally {
      try {
        file?.truncate(0);
      } catch {
        // Nothing was written then.
      }
      file?.close();
    }
  }

  /**
   * Asked right before every write of so many bytes into the database: the disk may have filled up since the last. Nothing is
   * flushed, so that the bytes are gone again before they reach the disk: file systems refuse what has no room when it is written.
   */
  forDatabase(bytes: number): Promise<boolean> {
    return this.fits(Math.max(probeBytes, 2 * bytes), false);
  }

  /** Whether the database may be opened: with more to spare where the ballast was given up, since then the disk was full. */
  async toOpenDatabase(): Promise<boolean> {
    const whole = (await this.#folder.sizeOf("ballast")) === ballastBytes;
    return whole ? this.forDatabase(0) : this.fits(recoveryBytes);
  }

  /** Bytes that are given up when the disk is full, so that the last changes still find a place. */
  async layBallast(): Promise<void> {
    if ((await this.#folder.sizeOf("ballast")) === ballastBytes) return;
    if (!(await this.fits(4 * ballastBytes))) return;
    const bytes = new Uint8Array(ballastBytes);
    for (let at = 0; at < ballastBytes; at += noiseBytes) bytes.set(this.#noise, at);
    await writeWhole(this.#folder, "ballast", bytes).catch(() => {});
  }

  async dropBallast(): Promise<void> {
    const file = await this.#folder.open("ballast");
    try {
      file.truncate(0);
      file.flush();
    } finally {
      file.close();
    }
  }
}

const noiseBytes = 1_048_576;
const ballastBytes = 4 * noiseBytes;
const probeBytes = 4 * noiseBytes;
/** Before the database is made again after the disk was full. */
export const recoveryBytes = 16 * noiseBytes;
