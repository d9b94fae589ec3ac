import { printPdf } from "../pictures/print-pdf.ts";
import { printPicture } from "../pictures/print-picture.ts";
import type { PrintJobs } from "./jobs.ts";
import { serveJobs } from "./serve.ts";

const hear = serveJobs<PrintJobs>({ printPicture, printPdf }, (m) => postMessage(m));
addEventListener("message", (e) => void hear(e.data));
