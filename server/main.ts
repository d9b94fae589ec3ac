import { readFile } from "node:fs/promises";
import { join, relative } from "node:path";
import { pathToFileURL } from "node:url";
import { parseArgs } from "node:util";
import { serve } from "@hono/node-server";
import { createApp } from "./app.ts";
import { OrderShelf } from "./lab/orders.ts";
import { threadReader } from "./lab/thread-reader.ts";
import { readLabs } from "./labs.ts";
import { Outbox } from "./room/outbox.ts";
import type { ReadingRooms } from "./room/room-routes.ts";
import { RoomShelf } from "./room/room-shelf.ts";
import { openSample } from "./sample.ts";

const { values } = parseArgs({
  options: {
    host: { type: "string", default: "127.0.0.1" },
    port: { type: "string", default: "4173" },
    /** The project's folder. */
    home: { type: "string", default: process.cwd() },
  },
});

/** The reading room, with the reader's program as it was built with the client; none where it was not. */
async function openRooms(folder: string): Promise<ReadingRooms | undefined> {
  const text = await readFile(join(folder, "dist", "web", "reader-program.json"), "utf8").catch(() => undefined);
  if (text === undefined) return undefined;
  const cache = join(folder, "demo", ".cache");
  const shelf = new RoomShelf(join(cache, "rooms"));
  await shelf.sweep(new Date());
  return { shelf, outbox: new Outbox(join(cache, "outbox")), program: JSON.parse(text), now: () => new Date() };
}

const mostReadingMs = 60_000;
const log = (line: string) => process.stderr.write(`${line}\n`);
const home = values.home;
const app = createApp({
  lab: {
    cards: await readLabs(join(home, "demo", "labs"), log),
    orders: new OrderShelf(join(home, "demo", ".cache", "orders")),
    // In `npm run dev` too this is the built program.
    read: threadReader(pathToFileURL(join(home, "dist", "server", "reading-thread.js")), mostReadingMs),
    now: () => new Date(),
    stalledMs: 30_000,
    pause: (ms) => new Promise((go) => setTimeout(go, ms)),
  },
  rooms: await openRooms(home),
  sample: await openSample(join(home, "demo", ".cache", "sample")),
  webFolder: relative(process.cwd(), join(home, "dist", "web")) || ".",
  log,
  host: values.host,
});

const server = serve({ fetch: app.fetch, hostname: values.host, port: Number(values.port) }, (at) => {
  process.stdout.write(`Tessip is open at http://${values.host}:${at.port}\n`);
});
server.on("error", (e: NodeJS.ErrnoException) => {
  log(
    e.code === "EADDRINUSE" ? `Port ${values.port} is taken. Choose another: npm run demo -- --port 4180` : String(e),
  );
  process.exit(1);
});
for (const signal of ["SIGINT", "SIGTERM"] as const)
  process.on(signal, () => {
    server.close(() => process.exit(0));
    // Kept-alive connections would hold the process open for as long as a tab is.
    if ("closeAllConnections" in server) server.closeAllConnections();
  });
