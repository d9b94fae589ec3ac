import type { Change, PlacedPage, PlacedTile, Project } from "#core/document";
import type { Rect } from "#core/geometry";
import type { LabCard, PageFormat } from "#core/lab";
import type { Photo } from "#core/photo";
import type { SceneFacts } from "#core/scene";
import type { Detail, Found, Spot } from "./finding.ts";

/** How light it is in a part of a page, as relative luminance (0 to 1): the darkest and the lightest tenth. */
export interface Ground {
  readonly dark: number;
  readonly light: number;
}

/** What a check has to know beyond the page. */
export interface PageFacts extends SceneFacts {
  known(photoId: string): Photo | undefined;
  /** Whether its original can no longer be read. */
  gone(photoId: string): boolean;
  /** The share of its pixels whose colour sRGB cannot hold; nothing while that is not known. */
  beyondSrgb(photoId: string): number;
  /** A photo that shows the same and has more pixels. */
  sharperTwin(photoId: string): string | undefined;
  /** What lies behind the words of a tile; nothing while that is not known. */
  behind?: ((tileId: string, at: Rect) => Ground | undefined) | undefined;
}

/** A page where it stands, as it is drawn: with what runs along on it. */
export interface PageAt {
  readonly page: PlacedPage;
  readonly format: PageFormat;
  readonly kind: Project["kind"];
  readonly isCover: boolean;
  /** Whether anything lies on any page of the work. */
  readonly begun: boolean;
  /** What dates are written in. */
  readonly language: string;
  /** What the lab asks of files; nothing without a lab. */
  readonly asks?: LabCard["file"] | undefined;
}

export interface ProjectFacts {
  /** All photos of the library by the time they were taken. */
  readonly photos: readonly Photo[];
  /** Photos that show nearly the same. */
  readonly piles: readonly (readonly string[])[];
  /** Names that a person gave to stretches of time. */
  readonly spans: readonly { readonly id: string; readonly name: string; readonly from: string; readonly to: string }[];
  /** The lab's card as the lab hands it out now; nothing while that is not known. */
  readonly cardNow: LabCard | undefined;
}

/** What a fix may ask beyond the project. */
export interface FixFacts extends PageFacts {
  readonly newId: () => string;
  /** Photos by how well they would do on a cover, the best first. */
  coverPhoto(among: ReadonlySet<string>): { readonly id: string; readonly aspect: number } | undefined;
}

/** The page that is put right, and the tile where the finding names one. */
export interface FixAt {
  readonly on: PlacedPage;
  readonly tile: PlacedTile | undefined;
  readonly spot: Spot;
  readonly facts: FixFacts;
  readonly asks: LabCard["file"] | undefined;
}

/** Looks at one page by itself. */
export interface PageRule<D extends Detail, F extends string = never> {
  readonly looksAt: "page";
  find(at: PageAt, facts: PageFacts): readonly Found<D, F>[];
  /** The changes that put a finding right; none where it cannot be done after all. */
  readonly fixes: { readonly [K in F]: (at: FixAt) => readonly Change[] };
}

/** Looks at the pages together. */
export interface ProjectRule<D extends Detail, F extends string = never> {
  readonly looksAt: "project";
  find(project: Project, facts: ProjectFacts): readonly Found<D, F>[];
  readonly fixes: { readonly [K in F]: (project: Project, facts: FixFacts) => readonly Change[] };
}
