/** A browser drops downloads that come faster than about ten a second, without a word. */
const apartMs = 200;
let nextAt = 0;

/** Hands a file to the browser's own saving, a moment after the last one. */
export async function saveToDisk(file: Blob, name: string): Promise<void> {
  const now = performance.now();
  const at = Math.max(now, nextAt);
  nextAt = at + apartMs;
  if (at > now) await new Promise((go) => setTimeout(go, at - now));
  const url = URL.createObjectURL(file);
  const link = document.createElement("a");
  link.href = url;
  link.download = name;
  link.click();
  // The browser reads it while it saves; a minute is enough to begin.
  setTimeout(() => URL.revokeObjectURL(url), 60_000);
}
