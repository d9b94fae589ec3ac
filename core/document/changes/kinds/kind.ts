import type { Result } from "#core/result";
import type { Project } from "../../project/project.ts";
import type { ChangeTrouble } from "./trouble.ts";

/** All that has to be known of a kind of change; `Inverse` are the kinds that lead back from it. */
export interface ChangeKind<C, Inverse> {
  /** The project afterwards (the same object when nothing changed), or why the change does not fit. */
  apply(project: Project, change: C): Result<Project, ChangeTrouble>;
  /** The change that leads back; only for a change that fitted `before`. */
  invert(before: Project, change: C): Inverse;
  /** One change that does what two in a row do; undefined where there is none. */
  merge?(first: C, next: C): C | undefined;
  /** It only gives values to places that no other kind gives values to: two such may trade places. */
  readonly assigns?: true;
  /** The one page that it touches and reads; of changes to different pages it does not matter which comes first. */
  pageId?(change: C): string;
}
