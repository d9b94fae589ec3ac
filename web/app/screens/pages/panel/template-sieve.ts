import type { PageFormat } from "#core/lab";
import { farFrom, type PageShape, photoPlaces, shapeOf, type Template } from "#core/templates";

/** What the templates are narrowed to. */
export interface TemplateSieve {
  readonly text: string;
  /** "any", "page" for as many as would flow in now, or a number. */
  readonly photos: string;
  /** Empty for all, "own" for one's own. */
  readonly family: string;
  readonly shape: PageShape | "any";
  readonly starred: boolean;
}

export interface SieveGround {
  readonly format: PageFormat;
  readonly photos: number;
  readonly favourites: ReadonlySet<string>;
  readonly own: readonly Template[];
}

/** The templates that are meant, those that suit the page and its photos best before the others. */
export function found(all: readonly Template[], sieve: TemplateSieve, ground: SieveGround): Template[] {
  const text = sieve.text.trim().toLocaleLowerCase();
  const count = sieve.photos === "any" ? undefined : sieve.photos === "page" ? ground.photos : Number(sieve.photos);
  const own = new Set(ground.own.map((t) => t.id));
  return all
    .filter(
      (t) =>
        (text === "" || `${t.name} ${t.family}`.toLocaleLowerCase().includes(text)) &&
        (count === undefined || photoPlaces(t) === count) &&
        (sieve.family === "" || (sieve.family === "own" ? own.has(t.id) : t.family === sieve.family)) &&
        (sieve.shape === "any" || shapeOf(t.page) === sieve.shape) &&
        (!sieve.starred || ground.favourites.has(t.id)),
    )
    .sort((a, b) => farFrom(a, ground.format, ground.photos) - farFrom(b, ground.format, ground.photos));
}
