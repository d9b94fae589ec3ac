import { expect, test } from "@jest/globals";
import { fingerprint } from "../random/fingerprint.fixture.ts";
import {
  alignments,
  caretAt,
  type Face,
  firstWordStyles,
  layWords,
  lineEnds,
  offsetAt,
  offsetBeyond,
  selectionRects,
  verticals,
} from "./index.ts";

/** Letters of many widths, with a little kerning, some of them not there. */
const face: Face = {
  key: "any",
  ascent: 0.83,
  descent: 0.21,
  covers: (c) => c < 0x2000,
  outline: (_, id) => [["M", 0, 0.02], ["L", 0.3, -0.5 - (id % 7) / 20], ["Z"]],
  shape: (text) =>
    [...text].map((c, i) => ({
      file: c.charCodeAt(0) > 255 ? 1 : 0,
      id: c.charCodeAt(0) % 97,
      cluster: i,
      advance: 0.25 + (c.charCodeAt(0) % 11) / 30,
      dx: i % 5 === 4 ? -0.02 : 0,
      dy: 0,
    })),
};
const setter = {
  face: () => face,
  breaks(text: string) {
    const found = [...text.matchAll(/[ \n]+/g)].map((m) => ({ at: m.index + m[0].length, must: m[0].includes("\n") }));
    return found.at(-1)?.at === text.length ? found : [...found, { at: text.length, must: false }];
  },
};

const texts = [
  "The lock keeper waved.",
  "We came up the flight at five in the morning,\nbefore the others were awake, and had it to ourselves.\n\nThen it rained.",
  "Incomprehensibilities and ☃ snow",
  "  spaces   first and last  ",
  "",
];

test("words are set the same in any box, and caret and selection stand where they stood", () => {
  const laid = texts.flatMap((text) =>
    alignments.flatMap((align) =>
      verticals.flatMap((vertical) =>
        ([0, 90] as const).map((turn) => {
          const style = { ...firstWordStyles.journal, align, vertical, turn, sizePt: 11, leading: 1.3, insetMm: 1.5 };
          return [text, layWords({ text, style }, { w: 42, h: 26 }, setter)!] as const;
        }),
      ),
    ),
  );
  expect(fingerprint(laid)).toMatchSnapshot();
  const told = laid.map(([text, l]) => {
    const at = [0, 3, 9, text.length].filter((n) => n <= text.length);
    return at.map((n) => [
      caretAt(l, n),
      lineEnds(l, n),
      offsetBeyond(l, n, 1, text.length),
      offsetBeyond(l, n, -1, text.length),
      selectionRects(l, 0, n),
      offsetAt(l, { x: n, y: 2 * n }),
    ]);
  });
  expect(fingerprint(told)).toMatchSnapshot();
});
