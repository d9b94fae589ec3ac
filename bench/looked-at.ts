import type { Page } from "@playwright/test";

/** Until no photo is left in which faces are looked for in the background: what is measured then is measured alone. */
export async function allLookedAt(page: Page): Promise<void> {
  const waits = () =>
    page.evaluate(async () => {
      const db = await new Promise<IDBDatabase>((done) => {
        const request = indexedDB.open("tessip");
        request.onsuccess = () => done(request.result);
      });
      const all = await new Promise<{ focus: unknown }[]>((done) => {
        const request = db.transaction("photos").objectStore("photos").getAll();
        request.onsuccess = () => done(request.result);
      });
      db.close();
      return all.filter((p) => !p.focus).length;
    });
  while ((await waits()) > 0) await page.waitForTimeout(1000);
}
