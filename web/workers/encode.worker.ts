import { jpegPart } from "#core/files";
import type { EncodeJobs } from "./jobs.ts";
import { serveJobs } from "./serve.ts";

const hear = serveJobs<EncodeJobs>(
  { jpegPart: async ({ wish, rows, fromRow }) => jpegPart(wish, rows, fromRow) },
  (m) => postMessage(m),
);
addEventListener("message", (e) => void hear(e.data));
