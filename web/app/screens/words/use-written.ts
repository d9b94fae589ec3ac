import { useMemo } from "react";
import { everyPage, photosOf } from "#core/document";
import { type Written, writtenIn } from "#core/edit";
import { useLibrary, useProject } from "../../state/session/hooks.ts";

/** All that is written in the open project and in the captions of its photos. */
export function useWritten(): readonly Written[] {
  const project = useProject((s) => s.project);
  const byId = useLibrary((s) => s.byId);
  return useMemo(() => {
    const photos = new Map(everyPage(project).map((p) => [p.id, photosOf(p, project.style)]));
    return writtenIn(
      project,
      (pageId) => photos.get(pageId) ?? [],
      (photoId) => byId.get(photoId)?.caption ?? "",
    );
  }, [project, byId]);
}
