const mostLength = 80;

/** Letters, digits, dot and hyphen only: what every lab's upload and every file system takes. */
export function plainName(text: string): string {
  return (
    plain(text)
      .slice(0, mostLength)
      .replace(/[-.]+$/, "") || "page"
  );
}

const plain = (text: string): string =>
  text
    .normalize("NFKD")
    .replace(/[\u0300-\u036f]/g, "")
    .replace(/[×]/g, "x")
    .replace(/[^A-Za-z0-9.-]+/g, "-")
    .replace(/^[-.]+|[-.]+$/g, "");

/** What a file's name tells of it. */
export interface FileNameParts {
  readonly project: string;
  readonly size: string;
  readonly page: number | "cover";
  /** The number of the last page, so that names sort as pages do. */
  readonly pages: number;
  readonly pocket?: number | undefined;
}

/** Some systems keep these for devices, whatever comes behind the first dot. */
const reserved = /^(con|prn|aux|nul|com\d|lpt\d)$/i;

/**
 * A name for each file by a lab's pattern of `{project}`, `{size}` and `{page}`; no two of them alike, not even to a system that does
 * not tell capitals from small letters. A pattern without a page gets one where there are several files. Too long a name loses letters
 * of its project, never its page. `most`: characters with the ending.
 */
export function fileNames(
  pattern: string,
  files: readonly FileNameParts[],
  ending: string,
  most = mostLength,
): readonly string[] {
  const numbered = files.length > 1 && !pattern.includes("{page}") ? `${pattern}-{page}` : pattern;
  const taken = new Set<string>();
  return files.map((file) => {
    const room = Math.max(1, most - ending.length - 1);
    const first = stemOf(numbered, file, room);
    let stem = first;
    for (let n = 2; taken.has(stem.toLowerCase()); n += 1) stem = `${first.slice(0, room - String(n).length - 1)}-${n}`;
    taken.add(stem.toLowerCase());
    return `${stem}.${ending}`;
  });
}

function stemOf(pattern: string, { project, size, page, pages, pocket }: FileNameParts, room: number): string {
  const number = `${String(page).padStart(String(pages).length, "0")}${pocket === undefined ? "" : `-${String(pocket).padStart(2, "0")}`}`;
  const filled = (name: string, sizeName: string) =>
    plain(
      pattern
        .replaceAll("{project}", name)
        .replaceAll("{size}", sizeName)
        .replace("{page}", number)
        .replaceAll("{page}", ""),
    );
  let name = plainName(project);
  let sizeName = plainName(size);
  const tooLong = () => filled(name, sizeName).length > room;
  while (tooLong() && name.length > 1) name = name.slice(0, -1);
  while (tooLong() && sizeName.length > 1) sizeName = sizeName.slice(0, -1);
  const stem = tooLong() ? number : filled(name, sizeName) || number;
  const [device = ""] = stem.split(".");
  return reserved.test(device) ? `${device}-${number}${stem.slice(device.length)}`.slice(0, room) : stem;
}
