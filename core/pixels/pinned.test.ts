import { expect, test } from "@jest/globals";
import { fingerprint } from "../random/fingerprint.fixture.ts";
import { paperKinds, plainResampler, sharpen, sharpeningFor } from "./index.ts";
import { placing, zonePlate } from "./zone-plate.fixture.ts";

test("a photo is scaled, turned and sharpened to the same pixels", () => {
  const plate = zonePlate(36);
  const drawn = [0.61, 1.7].flatMap((scale) =>
    [0, 7, 133].map((turn) => {
      const { side, matrix } = placing(36, scale, turn, turn === 7);
      const area = { x: 3, y: 2, w: side - 9, h: side - 5 };
      return turn === 0 ? plainResampler.upright(plate, matrix, area) : plainResampler.turned(plate, matrix, area);
    }),
  );
  expect(drawn.map((d) => fingerprint(new Uint8Array(d.data)))).toMatchSnapshot();
  const crisp = paperKinds.flatMap((paper) =>
    [150, 300].map((ppi) => {
      const copy = { ...drawn[0]!, data: Uint8ClampedArray.from(drawn[0]!.data) };
      sharpen(copy, sharpeningFor(paper, ppi));
      return fingerprint(new Uint8Array(copy.data));
    }),
  );
  expect(crisp).toMatchSnapshot();
});
