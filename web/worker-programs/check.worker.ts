import { checkProject, type ProjectFacts } from "#core/check";
import { beyondSrgb } from "../pictures/beyond-srgb.ts";
import { checkPages } from "../pictures/check-pages.ts";
import type { CheckJobs } from "../workers/jobs.ts";
import { WorkerError } from "../workers/protocol.ts";
import { serveJobs } from "../workers/serve.ts";

let known: ProjectFacts | undefined;

const hear = serveJobs<CheckJobs>(
  {
    checkPages,
    checkProject: async ({ project, facts = known }) => {
      // This worker may be a new one, after the one before it died.
      if (!facts) throw new WorkerError("factsMissing", "checkProject");
      known = facts;
      return checkProject(project, facts);
    },
    beyondSrgb: async (originals) => Promise.all(originals.map((o) => beyondSrgb(o).catch(() => 0))),
  },
  (m) => postMessage(m),
);
addEventListener("message", (e) => void hear(e.data));
