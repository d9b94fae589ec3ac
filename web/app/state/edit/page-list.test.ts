import { readFileSync } from "node:fs";
import { expect, test } from "@jest/globals";
import fc from "fast-check";
import {
  firstOnRight,
  lookOf,
  newBook,
  newPockets,
  type Page,
  type Project,
  pageCount,
  sideOf,
  spreadsHold,
} from "#core/document";
import { pagesNumbered } from "#core/edit";
import { formatFromCard } from "#core/lab";
import { labCardSchema } from "#core/lab/schema";
import { shippedPatterns } from "#core/pockets";
import { counter } from "../../../../core/document/project.fixture.ts";
import { openMemoryStore } from "../../../storage/memory-store.ts";
import type { Services } from "../../services.ts";
import { ProjectSession } from "../session/project-session.ts";
import { createViewState } from "../view-state/view-state.ts";
import {
  addPages,
  joinPages,
  lookOn,
  lookOnAll,
  movePages,
  openThe,
  type PageWhere,
  removePages,
  removeThePage,
  splitSpread,
  stepPage,
} from "./page-list.ts";
import { addLeaf } from "./pockets.ts";

const at = "2026-01-01T00:00:00.000Z";
const labs = ["marrow-and-lisle", "tern-hill-layflat", "pennywhistle-press"].map((name) =>
  labCardSchema.parse(JSON.parse(readFileSync(`demo/labs/${name}.json`, "utf8"))),
);

const opened = (lab: (typeof labs)[number]) =>
  held(
    newBook(
      { name: "A book", unit: "mm", lab, format: formatFromCard(lab, lab.sizes[0]!, false) },
      { newId: counter("p"), at },
    ),
  );

function held(project: Project) {
  const session = new ProjectSession(
    { project, steps: [], done: 0, savedAt: at, sent: undefined },
    { store: openMemoryStore(), now: () => at },
  );
  const services = { viewState: createViewState(), newId: counter("n") } as unknown as Parameters<typeof addPages>[0];
  const pages = () => session.state.getState().project.pages;
  /** What a person says when asked whether pages may turn over; keeping the sides where that is offered. */
  const answer = (keep: boolean) => {
    const { turning } = services.viewState.getState();
    services.viewState.setState({ turning: undefined });
    if (keep) turning?.keep?.doIt();
    else turning?.doIt?.();
    return turning !== undefined;
  };
  return { session, services, pages, answer };
}

const sides = (project: Project): Map<string, string> =>
  new Map(project.pages.filter((p) => p.span === 1).map((p) => [p.id, sideOf(project, p.id) ?? ""]));

type Deed = {
  readonly do: "add" | "remove" | "move" | "join" | "split" | "step";
  readonly n: number;
  readonly m: number;
};
const anyDeed: fc.Arbitrary<Deed> = fc.record({
  do: fc.constantFrom("add", "remove", "move", "join", "split", "step"),
  n: fc.nat(50),
  m: fc.nat(50),
});

const wheres: readonly PageWhere[] = ["before", "after", "end"];

function act({ session, services, pages }: ReturnType<typeof opened>, deed: Deed): void {
  const page = (i: number): Page => pages()[i % pages().length]!;
  openThe(services, session, page(deed.n));
  if (deed.do === "add") addPages(services, session, 1 + (deed.m % 3), wheres[deed.m % 3]!);
  else if (deed.do === "remove") removePages(services, session, [page(deed.m).id]);
  else if (deed.do === "move") movePages(services, session, [page(deed.n).id], deed.m % pages().length);
  else if (deed.do === "join") joinPages(services, session);
  else if (deed.do === "split") splitSpread(services, session);
  else stepPage(services, session, deed.m % 2 === 0 ? 1 : -1);
}

test("whatever is done to the row, spreads lie over the fold; where sides are to be kept, every page keeps its own; all of it is undone", () => {
  fc.assert(
    fc.property(fc.constantFrom(...labs), fc.array(anyDeed, { maxLength: 12 }), fc.boolean(), (lab, deeds, keep) => {
      const book = opened(lab);
      const { session } = book;
      const first = session.state.getState().project;
      for (const deed of deeds) {
        const before = session.state.getState().project;
        act(book, deed);
        book.answer(keep);
        const now = session.state.getState().project;
        expect(spreadsHold(now.pages, firstOnRight(now))).toBe(true);
        expect(pageCount(now.pages)).toBe(now.pages.reduce((sum, p) => sum + p.span, 0));
        expect(now.pages.some((p) => p.id === session.state.getState().pageId)).toBe(true);
        if (deed.do === "move")
          expect(now.pages.map((p) => p.id).toSorted()).toEqual(before.pages.map((p) => p.id).toSorted());
        if (!keep) continue;
        const after = sides(now);
        for (const [id, side] of sides(before)) if (after.has(id)) expect([id, after.get(id)]).toEqual([id, side]);
      }
      while (session.state.getState().history.done > 0) session.undo();
      expect(session.state.getState().project).toEqual(first);
    }),
    { numRuns: 60 },
  );
});

test("leaves of pockets come, go and move whole: each front keeps its own back behind it", () => {
  const pattern = shippedPatterns.find((p) => p.id === "12-twelve-upright")!;
  fc.assert(
    fc.property(fc.array(anyDeed, { maxLength: 10 }), (deeds) => {
      const first = newPockets({ name: "Cards", unit: "in", pattern }, { newId: counter("p"), at });
      const { session, services, pages } = held(first);
      const backs = () =>
        new Map(pages().flatMap((p, i) => (i % 2 === 0 ? [[p.id, pages()[i + 1]?.id] as const] : [])));
      for (const deed of deeds) {
        const before = backs();
        openThe(services, session, pages()[deed.n % pages().length]);
        if (deed.do === "add" || pages().length < 4) addLeaf(services as unknown as Services, session);
        else if (deed.do === "remove") removeThePage(services, session);
        else movePages(services, session, [pages()[deed.n % pages().length]!.id], deed.m % pages().length);
        expect(pages().length % 2).toBe(0);
        for (const [front, back] of backs()) {
          expect(sideOf(session.state.getState().project, front)).toBe("right");
          if (before.has(front)) expect(before.get(front)).toBe(back);
        }
      }
      while (session.state.getState().history.done > 0) session.undo();
      expect(session.state.getState().project).toEqual(first);
    }),
    { numRuns: 60 },
  );
});

test("pages are found by the numbers that are printed on them, a spread by either of its own", () => {
  const { session, services, pages } = opened(labs[1]!);
  openThe(services, session, pages()[2]);
  joinPages(services, session);
  const spread = pages().find((p) => p.span === 2)!;
  const before = pages().slice(0, pages().indexOf(spread)).length;
  for (const n of [before + 1, before + 2])
    expect(pagesNumbered(session.state.getState().project, new Set([n]))).toEqual([spread]);
  expect(pagesNumbered(session.state.getState().project, new Set([before + 3]))).toEqual([pages()[before + 1]]);
  expect(pagesNumbered(session.state.getState().project, new Set([0, 4000]))).toEqual([]);
});

test("a look goes onto some pages, or onto all and those to come", () => {
  const { session, services, pages } = opened(labs[0]!);
  const { style } = session.state.getState().project;
  session.commit({ code: "changedColour", count: 1 }, [
    { type: "setPages", items: [{ id: pages()[0]!.id, set: { background: "#336655" } }] },
  ]);
  openThe(services, session, pages()[0]);
  const looks = () => pages().map((p) => lookOf(p, session.state.getState().project.style).background);
  const green = () => looks().flatMap((colour, i) => (colour === "#336655" ? [i] : []));
  lookOn(session, [pages()[3]!, pages()[5]!]);
  expect(green()).toEqual([0, 3, 5]);
  expect(session.state.getState().project.style.background).toBe(style.background);
  lookOnAll(session);
  expect(green()).toHaveLength(pages().length);
  addPages(services, session, 2, "end");
  expect(looks().at(-1)).toBe("#336655");
  // Nothing is copied down: pages that look as the style does say nothing of it.
  expect(pages().every((p) => p.background === undefined)).toBe(true);
});
