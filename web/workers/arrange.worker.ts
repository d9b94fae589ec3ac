import { nanoid } from "nanoid";
import { type Page, waysOfPage } from "#core/document";
import { pacedPages, pacePlan, withFilled } from "#core/pace";
import type { ArrangeJobs } from "./jobs.ts";
import { type Doing, serveJobs } from "./serve.ts";

async function otherWays({ page, format, photos, seed }: ArrangeJobs["otherWays"]["in"]) {
  const byId = new Map(photos.map((p) => [p.id, p]));
  return waysOfPage(page, format, (id) => byId.get(id), seed);
}

/** Of a sum of work, what sharing the photos out takes. */
const planShare = 0.1;

async function pacePages({ photos, row, ...given }: ArrangeJobs["pacePages"]["in"], doing: Doing) {
  const plan = pacePlan({ photos, slots: row.slots });
  doing.progress(planShare);
  const byId = new Map(photos.map((p) => [p.id, p]));
  const aspectOf = (id: string) => byId.get(id)!.aspect;
  const pages: Page[] = [];
  for (const page of pacedPages({ ...given, plan, slots: row.slots, aspectOf, newId: () => nanoid(12) })) {
    pages.push(page);
    doing.progress(planShare + ((1 - planShare) * pages.length) / plan.length);
    // Lets a message to stop come through.
    if (pages.length % 4 === 0) await new Promise((go) => setTimeout(go));
    doing.signal.throwIfAborted();
  }
  return withFilled(row, pages);
}

const hear = serveJobs<ArrangeJobs>({ otherWays, pacePages }, (m) => postMessage(m));
addEventListener("message", (e) => void hear(e.data));
