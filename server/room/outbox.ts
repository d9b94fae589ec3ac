import { randomBytes } from "node:crypto";
import { mkdir, writeFile } from "node:fs/promises";
import { join } from "node:path";

/** What would be mail is written as a file (RFC 5322) into a folder. */

export interface Mail {
  readonly to: string;
  readonly subject: string;
  readonly text: string;
}

/** Everything that could begin another header line goes. */
const oneLine = (text: string): string => text.replace(/[\r\n\0]+/g, " ").trim();
/** Other letters than ASCII, as words of RFC 2047. */
const headerWord = (text: string): string =>
  /^[\x20-\x7e]*$/.test(text) ? text : `=?utf-8?B?${Buffer.from(text).toString("base64")}?=`;

export function emlOf({ to, subject, text }: Mail, now: Date): string {
  const body =
    Buffer.from(text.replace(/\r?\n/g, "\r\n"))
      .toString("base64")
      .match(/.{1,76}/g)
      ?.join("\r\n") ?? "";
  return [
    "From: Tessip <tessip@localhost>",
    `To: ${headerWord(oneLine(to))}`,
    `Subject: ${headerWord(oneLine(subject))}`,
    `Date: ${now.toUTCString().replace("GMT", "+0000")}`,
    `Message-ID: <${randomBytes(12).toString("hex")}@localhost>`,
    "MIME-Version: 1.0",
    "Content-Type: text/plain; charset=utf-8",
    "Content-Transfer-Encoding: base64",
    "",
    body,
    "",
  ].join("\r\n");
}

export class Outbox {
  readonly #folder: string;

  constructor(folder: string) {
    this.#folder = folder;
  }

  async put(mail: Mail, now: Date): Promise<void> {
    await mkdir(this.#folder, { recursive: true });
    const name = `${now.toISOString().replace(/[:.]/g, "-")}-${randomBytes(4).toString("hex")}.eml`;
    await writeFile(join(this.#folder, name), emlOf(mail, now), { flag: "wx" });
  }
}

/** A template with what it names in braces. */
export const filled = (template: string, values: Readonly<Record<string, string>>): string =>
  template.replace(/\{(\w+)\}/g, (whole, name: string) => values[name] ?? whole);
