import type { Template } from "../template.ts";
import { above, beside, type Drawn, family, field, first, written } from "./drawing.ts";

/** Templates with places for a title, a story or captions. */

const [S, Q] = [3 / 2, 1];

const title = (aspect: number, sizePt = 40): Drawn => written(aspect, "title", sizePt, "A title for this page");
const story = (aspect: number): Drawn =>
  written(aspect, "journal", 13, "Who was there, where it was, and what nobody wants to forget.");
const caption = (aspect: number): Drawn => written(aspect, "caption", 11, "Who and where");
/** A photo with its words under it. */
const told = (aspect: number): Drawn => above(aspect, caption(aspect * 6));

const titlePages = () =>
  family("title-pages", "Title pages", { gapMm: 5, marginMm: 16 }, [
    ["Title over one", "square", above(title(5.2), first(1.26))],
    ["Title under one", "upright", above(first(0.97), title(4.2))],
    ["Title beside one", "sideways", beside(first(0.95), title(0.42, 34))],
    ["Title over three", "sideways", above(title(6.2), beside(0.63, 0.63, 0.63))],
    ["Title between two", "square", above(2.5, title(5.4), 2.5)],
    ["Title over a row and one", "upright", above(title(4.6), beside(Q, Q), first(1.55))],
    ["Title in a corner of four", "square", beside(above(title(1.3, 32), 0.66), above(0.66, 1.3))],
    ["Title on a dark band", "panorama", beside(first(1.4), above(field(4.4, "#22302b"), title(4.4, 44), S * 1.45))],
  ]);

const stories = () =>
  family("stories", "Stories", { gapMm: 5, marginMm: 14 }, [
    ["Story beside one", "sideways", beside(first(0.9), story(0.48))],
    ["Story beside two", "square", beside(above(1.36, 1.36), story(0.31))],
    ["Story under a wide one", "square", above(first(1.45), story(3.1))],
    ["Story between two columns", "panorama", beside(above(S, S), story(1.05), above(S, S))],
    ["Story in a corner of four", "square", above(beside(Q, Q), beside(Q, story(Q)))],
    ["Story in the middle of six", "sideways", beside(above(Q, Q, Q), story(0.62), above(Q, Q, Q))],
    ["Title, story and one", "upright", above(title(5.2), beside(first(0.62), story(0.42)))],
    [
      "Title, story and four",
      "sideways",
      beside(above(title(2.4, 26), story(0.42)), above(beside(Q, Q), beside(Q, Q))),
    ],
    ["Two with captions", "sideways", beside(told(0.82), told(0.82))],
    ["Four with captions", "square", above(beside(told(1.18), told(1.18)), beside(told(1.18), told(1.18)))],
    ["Three with captions", "panorama", beside(told(1.04), told(1.04), told(1.04))],
  ]);

export const worded = (): readonly Template[] => [titlePages, stories].flatMap((f) => f());
