import type { PageFormat } from "#core/lab";
import { farFrom, type PageShape, photoPlaces, shapeOf, type Template } from "#core/templates";

/** What the templates are narrowed to. */
export interface TemplateFilter {
  readonly text: string;
  /** "any", "page" for as many as would flow in now, or a number. */
  readonly photos: string;
  /** Empty for all, "own" for one's own. */
  readonly family: string;
  readonly shape: PageShape | "any";
  readonly starred: boolean;
}

export interface FilterBackground {
  readonly format: PageFormat;
  readonly photos: number;
  readonly favourites: ReadonlySet<string>;
  readonly own: readonly Template[];
}

/** The templates that are meant, those that suit the page and its photos best before the others. */
export function found(all: readonly Template[], filter: TemplateFilter, ground: FilterBackground): Template[] {
  const text = filter.text.trim().toLocaleLowerCase();
  const count = filter.photos === "any" ? undefined : filter.photos === "page" ? ground.photos : Number(filter.photos);
  const own = new Set(ground.own.map((t) => t.id));
  return all
    .filter(
      (t) =>
        (text === "" || `${t.name} ${t.family}`.toLocaleLowerCase().includes(text)) &&
        (count === undefined || photoPlaces(t) === count) &&
        (filter.family === "" || (filter.family === "own" ? own.has(t.id) : t.family === filter.family)) &&
        (filter.shape === "any" || shapeOf(t.page) === filter.shape) &&
        (!filter.starred || ground.favourites.has(t.id)),
    )
    .sort((a, b) => farFrom(a, ground.format, ground.photos) - farFrom(b, ground.format, ground.photos));
}
