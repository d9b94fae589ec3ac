import { helper } from "../pictures/helper.ts";
import { printOra } from "../pictures/print-ora.ts";
import { printPdf } from "../pictures/print-pdf.ts";
import { printPicture } from "../pictures/print-picture.ts";
import { printSvg } from "../pictures/print-svg.ts";
import { proofPicture } from "../pictures/proof-picture.ts";
import type { PrintJobs } from "../workers/jobs.ts";
import { serveJobs } from "../workers/serve.ts";

helper.getReady();
const hear = serveJobs<PrintJobs>({ proofPicture, printPicture, printPdf, printSvg, printOra }, (m) => postMessage(m));
addEventListener("message", (e) => void hear(e.data));
