import type { Template } from "../template.ts";
import { family, tiled } from "./drawing.ts";

/** Templates whose places are cells of a pattern. */

const honeycombs = () =>
  family("honeycombs", "Honeycombs", { gapMm: 4, marginMm: 12 }, [
    ["Seven hexagons", "square", tiled("hexagons", 7)],
    ["Ten hexagons", "sideways", tiled("hexagons", 10)],
    ["Fourteen hexagons", "panorama", tiled("hexagons", 14)],
    ["Nineteen hexagons", "square", tiled("hexagons", 19)],
    ["Eight hexagons on end", "upright", tiled("hexagonsOnSides", 8)],
    ["Thirteen hexagons on end", "square", tiled("hexagonsOnSides", 13)],
  ]);

const mosaics = () =>
  family("mosaics", "Mosaics", { gapMm: 3, marginMm: 0 }, [
    ["Hexagons to the edge", "square", tiled("hexagons", 12, { cut: true })],
    ["Diamonds to the edge", "square", tiled("diamonds", 13, { cut: true })],
    ["Triangles to the edge", "sideways", tiled("triangles", 12, { cut: true })],
  ]);

const inlays = () =>
  family("inlays", "Inlays", { gapMm: 4, marginMm: 12 }, [
    ["Eight triangles", "sideways", tiled("triangles", 8)],
    ["Nine diamonds", "square", tiled("diamonds", 9)],
    ["Running bond of twelve", "square", tiled("bricks", 12)],
    ["Herringbone of ten", "square", tiled("herringbone", 10)],
    ["Herringbone of eighteen", "sideways", tiled("herringbone", 18)],
    ["Seven coins", "square", tiled("circles", 7)],
    ["Eleven coins", "sideways", tiled("circles", 11)],
  ]);

const garlands = () =>
  family("garlands", "Garlands", { gapMm: 4, marginMm: 14, background: "#f6f1e7" }, [
    ["Seven pennants", "panorama", tiled("pennants", 7)],
    ["Nine pennants hanging", "panorama", tiled("pennants", 9, { sag: 0.1 })],
    ["Six pennants hanging", "sideways", tiled("pennants", 6, { sag: 0.14 })],
    ["A ring of eight", "square", tiled("ring", 8)],
    ["A ring of twelve", "square", tiled("ring", 12)],
    ["A fan of five", "sideways", tiled("fan", 5)],
    ["A fan of seven", "sideways", tiled("fan", 7)],
  ]);

export const patterned = (): readonly Template[] => [honeycombs, mosaics, inlays, garlands].flatMap((f) => f());
