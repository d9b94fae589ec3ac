import { waysOfPage } from "#core/document";
import type { ArrangeJobs } from "./jobs.ts";
import { serveJobs } from "./serve.ts";

async function otherWays({ page, format, photos, seed }: ArrangeJobs["otherWays"]["in"]) {
  const byId = new Map(photos.map((p) => [p.id, p]));
  return waysOfPage(page, format, (id) => byId.get(id), seed);
}

const hear = serveJobs<ArrangeJobs>({ otherWays }, (m) => postMessage(m));
addEventListener("message", (e) => void hear(e.data));
