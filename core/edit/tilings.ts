import { onGroup, type TilingSettings, tiledGroup } from "#core/document";
import type { PhotoShape } from "#core/fit";
import type { Edit } from "./tree-edits.ts";

/** The tiles of a group as cells of a pattern, with its photos matched to them. */
export const tiled =
  (groupId: string, settings: TilingSettings, shapeOf: (photoId: string) => PhotoShape | undefined): Edit =>
  (on) =>
    onGroup(
      on,
      on.groups.find((g) => g.group.id === groupId),
      (at) => tiledGroup(on, at, settings, shapeOf),
    );
