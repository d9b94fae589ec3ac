/** Hands a file to the browser's own saving. */
export function saveToDisk(file: Blob, name: string): void {
  const url = URL.createObjectURL(file);
  const link = document.createElement("a");
  link.href = url;
  link.download = name;
  link.click();
  // The browser reads it while it saves; a minute is enough to begin.
  setTimeout(() => URL.revokeObjectURL(url), 60_000);
}
