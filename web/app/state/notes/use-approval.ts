import { useEffect, useMemo, useState } from "react";
import { findPage, type Project } from "#core/document";
import { type Approval, approvalOf, judgementsOf, sceneMark, wholeMark } from "#core/notes";
import { type SceneFacts, scene, wordsNeeded } from "#core/scene";
import { type Services, useServices } from "../../services.ts";
import { useFacts } from "../session/facts.ts";
import { useLibrary, useProject } from "../session/hooks.ts";
import { readingViews } from "../session/reading-views.ts";
import { useNoteEvents } from "./shown-notes.ts";

/** A person goes on working while it is looked at what of it is still as it was approved. */
const pauseMs = 600;

/** The exact state of each page, in the order in which the work is read. Fonts are fetched first: without them the words would be missing. */
async function marksOf(
  { fonts }: Pick<Services, "fonts">,
  project: Project,
  facts: SceneFacts,
  hashOf: (id: string) => string | undefined,
): Promise<ReadonlyMap<string, string>> {
  const views = readingViews(project, (id) => facts.photo(id)?.takenAt);
  const leaves = views.flatMap((v) => [v.left, v.right].filter((l) => l !== undefined));
  await fonts.loadFor(
    leaves.flatMap((l) => wordsNeeded(l.page, facts)),
    project.language,
  );
  const marks = new Map<string, string>();
  for (const { pageId, page } of leaves)
    if (!marks.has(pageId)) marks.set(pageId, sceneMark(scene(page, facts), hashOf));
  return marks;
}

export interface ShownApproval extends Approval {
  readonly of: number;
}

/** What readers approved, as far as it still stands; nothing where nobody said anything of the kind, or while it is looked at. */
export function useApproval(): ShownApproval | undefined {
  const services = useServices();
  const project = useProject((s) => s.project);
  const events = useNoteEvents();
  const facts = useFacts();
  const byId = useLibrary((s) => s.byId);
  const judgements = useMemo(
    () => judgementsOf(events).filter((j) => j.pageId === null || findPage(project, j.pageId)),
    [events, project],
  );
  const [marks, setMarks] = useState<ReadonlyMap<string, string>>();
  const asked = judgements.length > 0;
  useEffect(() => {
    if (!asked) return;
    let left = false;
    const later = setTimeout(() => {
      void marksOf(services, project, facts, (id) => byId.get(id)?.hash).then((found) => !left && setMarks(found));
    }, pauseMs);
    return () => {
      left = true;
      clearTimeout(later);
    };
  }, [asked, services, project, facts, byId]);
  return useMemo(
    () =>
      asked && marks ? { ...approvalOf(judgements, marks, wholeMark(marks.values())), of: marks.size } : undefined,
    [asked, marks, judgements],
  );
}
