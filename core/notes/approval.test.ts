import { expect, test } from "@jest/globals";
import { type Project, placed } from "#core/document";
import { scene } from "#core/scene";
import { approvalOf, judgementsOf, sceneMark } from "./index.ts";

import { changed, facts, hashes, me, namesake, photosSwapped, project, sister, told } from "./notes.fixture.ts";

test("of each person the last verdict on each page counts, and one that is withdrawn is gone", () => {
  const judge = (pageId: string | null, verdict: "approved" | "change" | "none") =>
    ({ does: "judge", pageId, verdict, mark: "" }) as const;
  const events = told(
    [sister, judge("p1", "change")],
    [sister, judge("p1", "approved")],
    [namesake, judge("p1", "change")],
    [sister, judge(null, "approved")],
    [sister, judge("p2", "approved")],
    [sister, judge("p2", "none")],
  );
  expect(judgementsOf(events).map((j) => [j.by.key, j.pageId, j.verdict])).toEqual([
    ["sister", "p1", "approved"],
    ["other", "p1", "change"],
    ["sister", null, "approved"],
  ]);
});

test("of what was approved it is known what still stands: by page, and as a whole", () => {
  const judge = (pageId: string | null, verdict: "approved" | "change", mark: string, by = sister) => ({
    pageId,
    verdict,
    mark,
    by,
    at: "",
  });
  const marks = new Map([
    ["a", "1"],
    ["b", "2"],
    ["c", "3"],
    ["d", "4"],
    ["e", "5"],
  ]);
  const found = approvalOf(
    [
      judge("a", "approved", "1"),
      judge("b", "approved", "old"),
      judge("c", "approved", "3"),
      judge("c", "change", "3", me),
      judge("d", "change", "old"),
      judge("gone", "approved", "1"),
      judge(null, "approved", "whole"),
      judge(null, "approved", "old", me),
      judge(null, "change", "whole", namesake),
    ],
    marks,
    "whole",
  );
  expect(found).toEqual({
    approved: ["a"],
    changedSince: ["b", "d"],
    toChange: ["c"],
    wholeBy: [sister],
    wholeBefore: [me],
    wholeToChange: [namesake],
  });
});

test("a page is in the same state on another computer, and in another once anything on it is drawn otherwise", () => {
  const shape = { aspect: 1.5, focus: null };
  const seen = { photo: (id: string) => (/^[px]\d/.test(id) ? shape : undefined) };
  const mark = (p: Project, hashOf: (id: string) => string | undefined) =>
    sceneMark(scene(placed(p, p.pages[0]!), seen), hashOf);
  const now = mark(project, facts.hashOf);
  const elsewhere = JSON.parse(JSON.stringify(project).replaceAll(/"p(\d)"/g, '"x$1"')) as Project;
  expect(mark(elsewhere, (id) => hashes[id.replace("x", "p")])).toBe(now);
  expect(mark({ ...project, name: "Another" }, facts.hashOf)).toBe(now);
  expect(
    mark(changed({ type: "setProject", style: { ...project.style, background: "#fefefe" } }), facts.hashOf),
  ).not.toBe(now);
  expect(
    mark(changed({ type: "setProject", style: { ...project.style, gapMm: project.style.gapMm + 0.01 } }), facts.hashOf),
  ).not.toBe(now);
  const swapped = photosSwapped();
  expect(mark(swapped, facts.hashOf)).not.toBe(now);
});
