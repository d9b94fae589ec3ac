/** Letters, digits, dot and hyphen only: what every lab's upload and every file system takes. */
export function plainName(text: string): string {
  const plain = text
    .normalize("NFKD")
    .replace(/[\u0300-\u036f]/g, "")
    .replace(/[×]/g, "x")
    .replace(/[^A-Za-z0-9.-]+/g, "-")
    .replace(/^[-.]+|[-.]+$/g, "");
  return plain.slice(0, 80) || "page";
}

export function fileName(
  pattern: string,
  parts: {
    readonly project: string;
    readonly size: string;
    readonly page: number | "cover";
    readonly pages: number;
    readonly pocket?: number | undefined;
  },
  ending = "jpg",
): string {
  const page = String(parts.page).padStart(String(parts.pages).length, "0");
  const filled = pattern
    .replaceAll("{project}", plainName(parts.project))
    .replaceAll("{size}", plainName(parts.size))
    .replaceAll("{page}", page);
  const pocket = parts.pocket === undefined ? "" : `-${String(parts.pocket).padStart(2, "0")}`;
  return `${plainName(`${filled}${pocket}`)}.${ending}`;
}
