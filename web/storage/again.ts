/**
 * Does the work again after a pause where it fails, each pause longer than the last: right after a crash a browser may
 * not hand out its storage yet. The last failure is the one that is told.
 */
export async function again<T>(work: () => Promise<T>, pausesMs: readonly number[]): Promise<T> {
  for (const ms of pausesMs) {
    try {
      return await work();
    } catch {
      await new Promise((later) => setTimeout(later, ms));
    }
  }
  return work();
}
