import { jpegPart } from "#core/files";
import { decodeOriginal } from "../pictures/decode-original.ts";
import { framePixels } from "../pictures/paint-photo.ts";
import { buffersIn } from "../workers/buffers-in.ts";
import type { EncodeJobs } from "../workers/jobs.ts";
import { serveJobs } from "../workers/serve.ts";

const hear = serveJobs<EncodeJobs>(
  {
    jpegPart: async ({ options, rows, fromRow }) => jpegPart(options, rows, fromRow),
    framePixels: async ({ photo, original, longPx, colourSpace }) =>
      framePixels(await decodeOriginal(photo, original, longPx), colourSpace),
  },
  (m) => postMessage(m, { transfer: m.kind === "done" ? buffersIn(m.output) : [] }),
);
addEventListener("message", (e) => void hear(e.data));
