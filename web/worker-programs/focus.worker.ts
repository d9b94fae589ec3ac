import { findFocus } from "../pictures/find-focus.ts";
import type { FocusJobs } from "../workers/jobs.ts";
import { serveJobs } from "../workers/serve.ts";

const hear = serveJobs<FocusJobs>({ findFocus }, (m) => postMessage(m));
addEventListener("message", (e) => void hear(e.data));
