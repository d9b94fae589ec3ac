import { done, type Outcome } from "#core/outcome";
import type { Unit } from "#core/units";
import type { Project } from "../project.ts";
import type { ChangeTrouble } from "./trouble.ts";

/** The project's own name, or the unit that lengths are shown in. */
export interface SetProject {
  readonly type: "setProject";
  readonly name?: string;
  readonly unit?: Unit;
}

export function applySetProject(project: Project, change: SetProject): Outcome<Project, ChangeTrouble> {
  const { name = project.name, unit = project.unit } = change;
  return done(name === project.name && unit === project.unit ? project : { ...project, name, unit });
}

export const invertSetProject = (before: Project, change: SetProject): SetProject => ({
  type: "setProject",
  ...(change.name === undefined ? {} : { name: before.name }),
  ...(change.unit === undefined ? {} : { unit: before.unit }),
});
