import { checkWork } from "#core/check";
import { beyondSrgb } from "../pictures/beyond-srgb.ts";
import { checkPages } from "../pictures/check-pages.ts";
import type { CheckJobs } from "./jobs.ts";
import { serveJobs } from "./serve.ts";

const hear = serveJobs<CheckJobs>(
  {
    checkPages,
    checkWork: async ({ project, facts }) => checkWork(project, facts),
    beyondSrgb: async (originals) => Promise.all(originals.map((o) => beyondSrgb(o).catch(() => 0))),
  },
  (m) => postMessage(m),
);
addEventListener("message", (e) => void hear(e.data));
