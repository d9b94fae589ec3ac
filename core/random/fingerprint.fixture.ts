import { createHash } from "node:crypto";

/**
 * A short name for a value, numbers rounded to nine digits. Tests keep it as a snapshot, so that no change of what is computed goes
 * unnoticed; whoever changes that on purpose looks at what comes out, and renews it with `npm run unit -- FOLDER -u`.
 */
export function fingerprint(value: unknown): string {
  const hash = createHash("sha256");
  if (value instanceof Uint8Array) hash.update(value);
  else
    hash.update(
      JSON.stringify(value, (_, v) =>
        typeof v === "number" ? Number(v.toPrecision(9)) : v instanceof Map || v instanceof Set ? [...v] : v,
      ) ?? "nothing",
    );
  return hash.digest("hex").slice(0, 16);
}
