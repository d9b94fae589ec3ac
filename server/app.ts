import { serveStatic } from "@hono/node-server/serve-static";
import { Hono } from "hono";
import { HTTPException } from "hono/http-exception";
import { secureHeaders } from "hono/secure-headers";
import { ownPagesOnly } from "./guard.ts";
import { labRoutes, type PrintLab } from "./lab/lab-routes.ts";
import { type ReadingRooms, roomRoutes } from "./room/room-routes.ts";
import type { Sample } from "./sample.ts";

export interface Served {
  readonly lab: PrintLab;
  /** Missing where the client was built without its reader. */
  readonly rooms: ReadingRooms | undefined;
  /** Missing until the sample photos have been drawn. */
  readonly sample: Sample | undefined;
  /** Where the built client lies. */
  readonly webFolder: string;
  readonly log: (line: string) => void;
  /** The address that it listens on. */
  readonly host: string;
}

// Emotion writes its rules into style elements at run time; everything else must come from here as a file.
const contentSecurityPolicy = {
  defaultSrc: ["'self'"],
  // The HEIC decoder and the face finder are WebAssembly.
  scriptSrc: ["'self'", "'wasm-unsafe-eval'"],
  styleSrc: ["'self'", "'unsafe-inline'"],
  imgSrc: ["'self'", "blob:", "data:"],
  connectSrc: ["'self'"],
  fontSrc: ["'self'"],
  workerSrc: ["'self'"],
  manifestSrc: ["'self'"],
  objectSrc: ["'none'"],
  baseUri: ["'none'"],
  formAction: ["'none'"],
  frameAncestors: ["'none'"],
};

/** The whole server as a function of what it serves, so that tests need no socket. */
export function createApp(served: Served): Hono {
  const app = new Hono();
  app.use(ownPagesOnly(served.host));
  // Before the headers of the application: what others read has a stricter policy of its own.
  if (served.rooms) app.route("/room", roomRoutes(served.rooms));
  app.all("/room/*", (c) => c.json({ code: "noSuchPlace" }, 404));
  app.use(
    secureHeaders({
      contentSecurityPolicy,
      referrerPolicy: "no-referrer",
      crossOriginEmbedderPolicy: false,
      strictTransportSecurity: false,
      permissionsPolicy: { camera: [], microphone: [], geolocation: [] },
    }),
  );

  app.get("/health", (c) => c.json({ ok: true }));
  app.route("/lab", labRoutes(served.lab));
  app.all("/lab/*", (c) => c.json({ code: "noSuchPlace" }, 404));

  app.get("/sample", (c) => {
    if (!served.sample) throw new HTTPException(404, { message: "noSample" });
    return c.json(served.sample.index);
  });
  app.get("/sample/files/:file", async (c) => {
    const found = await served.sample?.read(c.req.param("file"));
    if (!found) throw new HTTPException(404, { message: "noSuchFile" });
    return c.body(found.bytes, 200, { "Content-Type": found.type, "Cache-Control": "no-store" });
  });

  // Names of built files carry their content's hash, so they may be kept for good; the page that names them may not.
  app.use("/assets/*", async (c, next) => {
    await next();
    if (c.res.ok) c.header("Cache-Control", "public, max-age=31536000, immutable");
  });
  app.use("*", async (c, next) => {
    await next();
    if (!c.res.headers.has("Cache-Control")) c.header("Cache-Control", "no-cache");
  });
  const files = serveStatic({ root: served.webFolder });
  app.get("/*", files);
  // Places inside the application are its own business; a missing file is not one of them.
  app.get("/*", async (c, next) => {
    if (/\.[a-z0-9]+$/i.test(c.req.path)) throw new HTTPException(404, { message: "noSuchFile" });
    return serveStatic({ root: served.webFolder, path: "index.html" })(c, next);
  });

  app.notFound((c) => c.json({ code: "noSuchPlace" }, 404));
  app.onError((e, c) => {
    if (e instanceof HTTPException) return e.res ? e.getResponse() : c.json({ code: e.message }, e.status);
    served.log(String(e.stack ?? e));
    return c.json({ code: "serverFault" }, 500);
  });
  return app;
}
