import type { Result } from "#core/result";
import { applyDressTiles, type DressTiles, invertDressTiles } from "./changes/dress-tiles.ts";
import { applyFillTiles, type FillTiles, invertFillTiles } from "./changes/fill-tiles.ts";
import { applyMoveSeam, invertMoveSeam, type MoveSeam } from "./changes/move-seam.ts";
import {
  applyRowChange,
  invertInsertPages,
  invertMovePages,
  invertRemovePages,
  type RowChange,
} from "./changes/page-list.ts";
import { applyPutPage, invertPutPage, type PutPage } from "./changes/put-page.ts";
import { applySetLook, invertSetLook, type SetLook } from "./changes/set-look.ts";
import { applySetProject, invertSetProject, type SetProject } from "./changes/set-project.ts";
import type { ChangeTrouble } from "./changes/trouble.ts";
import type { Project } from "./project.ts";

/** Everything that can happen to a project, as plain data. A new kind is a file in `changes/` and a line here. */
export type Change = PutPage | FillTiles | SetLook | DressTiles | MoveSeam | RowChange | SetProject;

/** The project afterwards (the same object when nothing changed), or why the change does not fit. */
export function applyChange(project: Project, change: Change): Result<Project, ChangeTrouble> {
  switch (change.type) {
    case "putPage":
      return applyPutPage(project, change);
    case "fillTiles":
      return applyFillTiles(project, change);
    case "setLook":
      return applySetLook(project, change);
    case "dressTiles":
      return applyDressTiles(project, change);
    case "moveSeam":
      return applyMoveSeam(project, change);
    case "insertPages":
    case "removePages":
    case "movePages":
    case "orderPages":
      return applyRowChange(project, change);
    case "setProject":
      return applySetProject(project, change);
  }
}

/** The change that leads back; only for a change that fitted `before`. */
export function invertChange(before: Project, change: Change): Change {
  switch (change.type) {
    case "putPage":
      return invertPutPage(before, change);
    case "fillTiles":
      return invertFillTiles(before, change);
    case "setLook":
      return invertSetLook(before, change);
    case "dressTiles":
      return invertDressTiles(before, change);
    case "moveSeam":
      return invertMoveSeam(before, change);
    case "insertPages":
      return invertInsertPages(change);
    case "removePages":
      return invertRemovePages(before, change);
    case "movePages":
    case "orderPages":
      return invertMovePages(before);
    case "setProject":
      return invertSetProject(before, change);
  }
}
