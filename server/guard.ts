import { isIP } from "node:net";
import type { MiddlewareHandler } from "hono";
import { HTTPException } from "hono/http-exception";

const loopback = new Set(["127.0.0.1", "localhost", "[::1]"]);

/**
 * Lets only pages of this server's own talk to it. A foreign name that was made to point here (DNS rebinding) is known by the
 * Host header; a foreign page by Sec-Fetch-Site, or by its Origin where the browser does not send that (Fetch Metadata, W3C).
 */
export function ownPagesOnly(bound: string): MiddlewareHandler {
  const open = bound === "0.0.0.0" || bound === "::";
  return async (c, next) => {
    const host = c.req.header("host") ?? new URL(c.req.url).host;
    const name = host.replace(/:\d+$/, "").toLowerCase();
    const bare = name.replace(/^\[|\]$/g, "");
    if (!loopback.has(name) && name !== bound && !(open && isIP(bare) !== 0))
      throw new HTTPException(421, { message: "foreignHost" });
    if (c.req.method !== "GET" && c.req.method !== "HEAD") {
      const site = c.req.header("sec-fetch-site");
      const origin = c.req.header("origin");
      const foreign = site !== undefined ? site !== "same-origin" && site !== "none" : !sameHost(origin, host);
      if (foreign) throw new HTTPException(403, { message: "foreignPage" });
    }
    await next();
  };
}

function sameHost(origin: string | undefined, host: string): boolean {
  if (origin === undefined) return true;
  try {
    return new URL(origin).host === host;
  } catch {
    return false;
  }
}
