import { z } from "zod";
import { ok, type Result, refused } from "#core/result";
import { type Template, templateSchema } from "./template.ts";

/** Templates as they go from one browser to another. */
const templateFileSchema = z
  .object({
    kind: z.literal("tessip-templates"),
    /** 1 where each template was one tree of places. */
    version: z.union([z.literal(1), z.literal(2)]),
    templates: z.array(templateSchema).min(1).max(500).readonly(),
  })
  .readonly();

/** Far more than five hundred templates of any sense take. */
const mostFileBytes = 8_000_000;
/** A tree of cuts deeper than this is no page, and would only exhaust whoever reads it. */
const deepest = 120;

export const templateFile = (templates: readonly Template[]): string =>
  `${JSON.stringify({ kind: "tessip-templates", version: 2, templates }, null, 2)}\n`;

/** What `docs/templates.schema.json` says, for others who want to make such files (JSON Schema, draft 2020-12). */
export const templateFileJsonSchema = (): unknown => z.toJSONSchema(templateFileSchema, { io: "input" });

/** The templates in a file from anywhere. */
export function readTemplateFile(
  text: string,
): Result<readonly Template[], "tooLarge" | "notTemplates" | "damagedTemplate"> {
  if (text.length > mostFileBytes) return refused("tooLarge");
  const known = parsed(text);
  if (!isOurs(known) || depthOf(text) > deepest) return refused("notTemplates");
  const read = templateFileSchema.safeParse(known);
  if (read.success) return ok(read.data.templates);
  const [, number] = read.error.issues[0]?.path ?? [];
  return refused("damagedTemplate", { number: typeof number === "number" ? number + 1 : 1 });
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}

const isOurs = (known: unknown): boolean =>
  typeof known === "object" && known !== null && "kind" in known && known.kind === "tessip-templates";

/** How deep brackets lie inside each other, strings left aside. */
function depthOf(text: string): number {
  let [depth, most, quoted] = [0, 0, false];
  for (let i = 0; i < text.length; i += 1) {
    const c = text[i];
    if (quoted && c === "\\") i += 1;
    else if (c === '"') quoted = !quoted;
    else if (quoted) continue;
    else if (c === "{" || c === "[") {
      depth += 1;
      most = Math.max(most, depth);
    } else if (c === "}" || c === "]") depth -= 1;
  }
  return most;
}
