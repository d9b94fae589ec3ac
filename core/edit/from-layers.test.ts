import { expect, test } from "@jest/globals";
import { freeTiles, mostTiles, placeAgain } from "#core/document";
import { collage, counter, firstPlaced } from "../document/project.fixture.ts";
import { type LayerPhoto, layersOnPage } from "./index.ts";

const start = firstPlaced(collage([]));
const empty = placeAgain(start, { ...start.page, pieces: [] });
const layer = (more: Partial<LayerPhoto> = {}): LayerPhoto => ({
  ...{ photoId: "p", name: "", src: "data/p.png", x: 0, y: 0, opacity: 1, visible: true },
  ...{ widthPx: 100, heightPx: 100 },
  ...more,
});

test("layers lie as in their picture: as large as the page allows, or by the picture's own density and never larger", () => {
  const side = start.format.widthMm;
  const laid = (widthPx: number, heightPx: number, ppi: number | undefined) => {
    const whole = layer({ widthPx, heightPx });
    const corner = layer({ x: widthPx / 2, y: heightPx / 4, widthPx: widthPx / 2, heightPx: heightPx / 2 });
    const done = layersOnPage(empty, { widthPx, heightPx, ppi }, [whole, corner], counter("n"));
    if (!done.ok) throw new Error(done.code);
    return freeTiles(done.value.page).map((t) => t.frame);
  };
  // Without a density a picture twice as wide as it is high fills the page's width.
  const [wide, part] = laid(1000, 500, undefined);
  expect(wide).toEqual({ centre: { x: side / 2, y: side / 2 }, width: side, height: side / 2, turn: 0 });
  expect([part!.width, part!.height]).toEqual([side / 2, side / 4]);
  expect(part!.centre).toEqual({ x: expect.closeTo(0.75 * side, 6), y: expect.closeTo(side / 2, 6) });
  // 600 by 300 pixels at 300 ppi are two inches by one, in the middle of the page.
  const [small] = laid(600, 300, 300);
  expect([small!.width, small!.height]).toEqual([expect.closeTo(50.8, 6), expect.closeTo(25.4, 6)]);
  expect(small!.centre).toEqual({ x: expect.closeTo(side / 2, 6), y: expect.closeTo(side / 2, 6) });
  // At 10 ppi they would be 60 inches wide.
  expect(laid(600, 300, 10)[0]!.width).toBeLessThanOrEqual(side + 1e-6);
});

test("a layer keeps its name, its strength and whether it is seen; more tiles than a page may have are refused", () => {
  const picture = { widthPx: 100, heightPx: 100, ppi: undefined };
  const layers = [layer({ name: "Sky", opacity: 0.4 }), layer({ visible: false })];
  const done = layersOnPage(empty, picture, layers, counter("n"));
  if (!done.ok) throw new Error(done.code);
  const [sky, hidden] = freeTiles(done.value.page);
  expect(done.value.tileIds).toEqual([sky!.id, hidden!.id]);
  expect(sky).toMatchObject({ name: "Sky", opacity: 0.4, filling: { kind: "photo", view: { photoId: "p" } } });
  expect([sky!.hidden, hidden!.hidden, hidden!.name, hidden!.opacity]).toEqual([undefined, true, undefined, undefined]);
  const many = (n: number) =>
    layersOnPage(
      empty,
      picture,
      Array.from({ length: n }, () => layer()),
      counter("n"),
    );
  expect(many(mostTiles).ok).toBe(true);
  expect(many(mostTiles + 1)).toMatchObject({ ok: false, code: "tooManyTiles" });
});
