import { findFocus } from "../pictures/find-focus.ts";
import { findRepeat } from "../pictures/find-repeat.ts";
import type { FocusJobs } from "../workers/jobs.ts";
import { serveJobs } from "../workers/serve.ts";

const hear = serveJobs<FocusJobs>({ findFocus, findRepeat }, (m) => postMessage(m));
addEventListener("message", (e) => void hear(e.data));
