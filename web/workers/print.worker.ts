import { printJpeg } from "../pictures/print-jpeg.ts";
import type { PrintJobs } from "./jobs.ts";
import { serveJobs } from "./serve.ts";

const hear = serveJobs<PrintJobs>({ printJpeg }, (m) => postMessage(m));
addEventListener("message", (e) => void hear(e.data));
