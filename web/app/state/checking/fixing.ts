import { type Finding, type PageFacts, pageAt } from "#core/check";
import { applyChange, type Change, findPage, type Project, photosOf } from "#core/document";
import { groundFrom } from "../../../pictures/background-luminance.ts";
import type { Services } from "../../services.ts";

/** The project after all of them, or nothing where one does not fit. */
export function applyAll(project: Project, changes: readonly Change[]): Project | undefined {
  let now = project;
  for (const change of changes) {
    const next = applyChange(now, change);
    if (!next.ok) return undefined;
    now = next.value;
  }
  return now;
}

/** What lies behind the words of a finding's page, from small previews. */
export async function groundAt(
  { store }: Pick<Services, "store">,
  project: Project,
  finding: Finding,
  facts: PageFacts,
): Promise<PageFacts["behind"]> {
  const page = findPage(project, finding.spots[0]?.pageId ?? "");
  if (!page) return undefined;
  const ids = photosOf(page, project.style);
  const previews = await store.previews(ids.map((photoId) => ({ photoId, size: "small" as const })));
  const byId = new Map(ids.map((id, i) => [id, previews[i]]));
  const at = pageAt(project, page, (id) => facts.known(id)?.takenAt);
  return groundFrom(at, facts, (id) => byId.get(id));
}
