import { existsSync, readFileSync } from "node:fs";
import { dirname, join } from "node:path";
import type { Plugin } from "vite";

/** Where a name comes from: a file, and what the name is called there (`*`: all that the file hands on). */
interface Origin {
  readonly name: string;
  readonly file: string;
}

const listed = (names: string) =>
  names
    .split(",")
    .map((part) => part.trim().split(/\s+as\s+/))
    .filter(([name]) => name !== "" && !name!.startsWith("type "))
    .map(([name, as]) => ({ name: name!, as: as ?? name! }));

const known = new Map<string, ReadonlyMap<string, Origin>>();

export type BarrelOf = (specifier: string) => string | undefined;

/** Where each name that a barrel (a file of nothing but re-exports) hands on comes from; nothing if there is no such file. */
function handedOn(barrel: string, barrelOf: BarrelOf): ReadonlyMap<string, Origin> {
  const before = known.get(barrel);
  if (before) return before;
  const text = existsSync(barrel) ? readFileSync(barrel, "utf8") : "";
  const file = (from: string) => (from.startsWith(".") ? join(dirname(barrel), from) : barrelOf(from));
  const within = new Map<string, Origin>();
  const out = new Map<string, Origin>();
  const put = (into: Map<string, Origin>, as: string, name: string, from: string) => {
    const at = file(from);
    if (at) into.set(as, { name, file: at });
  };
  for (const [, as, from] of text.matchAll(/import \* as (\S+) from ["']([^"']+)["']/g)) put(within, as!, "*", from!);
  for (const [, names, from] of text.matchAll(/import \{([^}]*)\} from ["']([^"']+)["']/g))
    for (const { name, as } of listed(names!)) put(within, as, name, from!);
  for (const [, names, from] of text.matchAll(/export \{([^}]*)\}(?: from ["']([^"']+)["'])?/g))
    for (const { name, as } of listed(names!)) {
      const origin = within.get(name);
      if (from) put(out, as, name, from);
      else if (origin) out.set(as, origin);
    }
  known.set(barrel, out);
  return out;
}

/** Where a name of a barrel comes from, through all barrels that hand it on to each other. */
function originOf(barrel: string, name: string, barrelOf: BarrelOf): Origin | undefined {
  const at = handedOn(barrel, barrelOf).get(name);
  return at && ((/\/index\.\w+$/.test(at.file) && originOf(at.file, at.name, barrelOf)) || at);
}

/**
 * Imports through a barrel go to the files behind it. Which modules the start needs is read off the graph of imports, and a barrel
 * leads to everything that any screen uses.
 *
 * @param barrelOf the file that an import's specifier stands for, where it is a barrel
 */
export function pastBarrels(barrelOf: BarrelOf): Plugin {
  return {
    name: "past-barrels",
    apply: "build",
    enforce: "post",
    transform(code, id) {
      return /[/]core[/][^/]+[/]index\.ts$/.test(id)
        ? null
        : code.replace(/import \{([^}]*)\} from ["']([^"']+)["'];?/g, (whole, names: string, specifier: string) => {
            const barrel = barrelOf(specifier);
            if (!barrel) return whole;
            return listed(names)
              .map(({ name, as }) => {
                const to = originOf(barrel, name, barrelOf);
                if (to?.name === "*") return `import * as ${as} from ${JSON.stringify(to.file)};`;
                return `import { ${to?.name ?? name} as ${as} } from ${JSON.stringify(to?.file ?? specifier)};`;
              })
              .join("");
          });
    },
  };
}
