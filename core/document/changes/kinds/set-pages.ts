import { ok, type Result, refused } from "#core/result";
import type { Page } from "../../page/page.ts";
import { findPage, type Project, withPage } from "../../project/project.ts";
import type { ChangeKind } from "./kind.ts";
import { type Patch, patchAll, patched, unpatched } from "./patch.ts";
import type { ChangeTrouble } from "./trouble.ts";

export type PageFields = Omit<Page, "id" | "pieces">;

/** Tells pages how they look and what they are: bare on purpose, without a number, paced. */
export interface SetPages {
  readonly type: "setPages";
  readonly items: readonly ({ readonly id: string } & Patch<PageFields>)[];
}

function apply(project: Project, change: SetPages): Result<Project, ChangeTrouble> {
  let now = project;
  for (const item of change.items) {
    const page = findPage(now, item.id);
    if (!page) return refused("pageGone", { pageId: item.id });
    now = withPage(now, patched<Page>(page, item));
  }
  return ok(now);
}

const invert = (before: Project, change: SetPages): SetPages => ({
  ...change,
  items: change.items.map((item) => ({ id: item.id, ...unpatched<PageFields>(findPage(before, item.id)!, item) })),
});

const merge = (first: SetPages, next: SetPages): SetPages => ({
  ...next,
  items: patchAll<PageFields, SetPages["items"][number]>(first.items, next.items),
});

export const setPages: ChangeKind<SetPages, SetPages> = { apply, invert, merge, assigns: true };
