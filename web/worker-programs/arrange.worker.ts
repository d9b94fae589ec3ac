import { nanoid } from "nanoid";
import { scattered } from "#core/arrange";
import { alternativesOf, type Page } from "#core/document";
import { pacedPages, pacePlan, withFilled } from "#core/pace";
import { seededRandom } from "#core/random";
import { packSheets, piecesOf, type SheetPlan } from "#core/sheets";
import type { ArrangeJobs } from "../workers/jobs.ts";
import { WorkerError } from "../workers/protocol.ts";
import { type Doing, serveJobs } from "../workers/serve.ts";

async function alternatives({ at, photos, seed }: ArrangeJobs["alternatives"]["in"]) {
  const byId = new Map(photos.map((p) => [p.id, p]));
  return alternativesOf(at, (id) => byId.get(id), seed);
}

const scatter = async (task: ArrangeJobs["scatter"]["in"]) => scattered(task);

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

/** As many as it takes a few seconds at most, however many cards there are. */
const packSteps = 6000;
const packRounds = 40;

async function packBest({ sheets, seed }: ArrangeJobs["packSheets"]["in"], doing: Doing): Promise<SheetPlan> {
  const begun = packSheets(sheets, seededRandom(seed));
  if (!begun.ok) throw new WorkerError(begun.code, JSON.stringify(begun.facts));
  const { packing, plan } = begun.value;
  const steps = Math.max(20, Math.round((packSteps * 100) / Math.max(100, piecesOf(sheets.wants).length)));
  for (let round = 0; round < packRounds && !packing.done; round += 1) {
    packing.run(Math.ceil(steps / packRounds));
    doing.progress((round + 1) / packRounds, plan());
    await new Promise((go) => setTimeout(go));
    doing.signal.throwIfAborted();
  }
  return plan();
}

const hear = serveJobs<ArrangeJobs>({ alternatives, scatter, pacePages, packSheets: packBest }, (m) => postMessage(m));
addEventListener("message", (e) => void hear(e.data));
