import type { Point, Ring, Size } from "#core/geometry";

const { ceil, floor, max } = Math;

/**
 * Cells of patterns that fill a rectangle of `w` × `h` mm from its top left, without gaps: as whole cells that touch its sides, or as cells
 * that its sides are to cut. Row by row; each gives one ring.
 */

interface Lattice {
  readonly columns: number;
  readonly rows: number;
  readonly cut: boolean;
}

/** A pattern that is made of rows and columns. */
export interface LatticePattern {
  /** Height over width of a cell that is regular, before it is stretched to the room; a range where none is. */
  readonly regular: readonly [least: number, most: number];
  readonly count: (at: Lattice) => number;
  /** Width and height of a cell. */
  readonly cell: (room: Size, at: Lattice) => Size;
  readonly cells: (room: Size, at: Lattice) => readonly Ring[];
  /** Whole cells leave no part of the room bare. */
  readonly fills?: true;
}

const range = (n: number): readonly number[] => Array.from({ length: max(0, n) }, (_, i) => i);
const isOdd = (n: number): boolean => n % 2 === 1;
const sum = (rows: number, of: (row: number) => number): number => range(rows).reduce((s, r) => s + of(r), 0);

const hexagonAt = (x: number, y: number, { w, h }: Size): Ring => [
  { x, y: y - h / 2 },
  { x: x + w / 2, y: y - h / 4 },
  { x: x + w / 2, y: y + h / 4 },
  { x, y: y + h / 2 },
  { x: x - w / 2, y: y + h / 4 },
  { x: x - w / 2, y: y - h / 4 },
];

const hexagons: LatticePattern = {
  regular: [1.1547, 1.1547],
  count: ({ columns, rows, cut }) => sum(rows, (r) => columns + (cut && isOdd(r) ? 1 : 0)),
  cell: ({ w, h }, { columns, rows, cut }) => ({
    w: cut || rows === 1 ? w / columns : w / (columns + 0.5),
    h: (4 * h) / (cut ? 3 * rows - 1 : 3 * rows + 1),
  }),
  cells(room, at) {
    const cell = hexagons.cell(room, at);
    // Of rows that are cut the tips of the first and the last go, so that no triangles stay bare there.
    const top = at.cut ? cell.h / 4 : cell.h / 2;
    return range(at.rows).flatMap((row) => {
      const shifted = isOdd(row);
      const more = at.cut && shifted ? 1 : 0;
      const left = !shifted ? cell.w / 2 : at.cut ? 0 : cell.w;
      return range(at.columns + more).map((i) => hexagonAt(left + i * cell.w, top + 0.75 * row * cell.h, cell));
    });
  },
};

const turned = (ring: Ring): Ring => ring.map(({ x, y }): Point => ({ x: y, y: x }));
const onItsSide = (of: LatticePattern): LatticePattern => {
  const other = (at: Lattice): Lattice => ({ ...at, columns: at.rows, rows: at.columns });
  const size = ({ w, h }: Size): Size => ({ w: h, h: w });
  return {
    regular: [1 / of.regular[1], 1 / of.regular[0]],
    count: (at) => of.count(other(at)),
    cell: (room, at) => size(of.cell(size(room), other(at))),
    cells: (room, at) => of.cells(size(room), other(at)).map(turned),
  };
};

const triangles: LatticePattern = {
  regular: [0.866, 0.866],
  count: ({ columns, rows, cut }) => rows * (cut ? columns + 1 : columns),
  cell: ({ w, h }, { columns, rows, cut }) => ({ w: (2 * w) / (cut ? columns : columns + 1), h: h / rows }),
  cells(room, at) {
    const { w, h } = triangles.cell(room, at);
    const first = at.cut ? -1 : 0;
    return range(at.rows).flatMap((row) =>
      range(at.cut ? at.columns + 1 : at.columns).map((k): Ring => {
        const i = k + first;
        const [x, y] = [(i * w) / 2, row * h];
        return isOdd(i + row + 2)
          ? [
              { x, y },
              { x: x + w, y },
              { x: x + w / 2, y: y + h },
            ]
          : [
              { x: x + w / 2, y },
              { x: x + w, y: y + h },
              { x, y: y + h },
            ];
      }),
    );
  },
};

const diamonds: LatticePattern = {
  regular: [1, 1.7],
  count: ({ columns, rows, cut }) => rows * columns + (cut ? (rows + 1) * (columns + 1) : (rows - 1) * (columns - 1)),
  cell: ({ w, h }, { columns, rows }) => ({ w: w / columns, h: h / rows }),
  cells(room, at) {
    const { w, h } = diamonds.cell(room, at);
    const diamond = (x: number, y: number): Ring => [
      { x, y: y - h / 2 },
      { x: x + w / 2, y },
      { x, y: y + h / 2 },
      { x: x - w / 2, y },
    ];
    const between = at.cut ? range(at.rows + 1) : range(at.rows - 1).map((j) => j + 1);
    const beside = at.cut ? range(at.columns + 1) : range(at.columns - 1).map((i) => i + 1);
    const lines = [
      ...range(at.rows).map((j) => ({ y: (j + 0.5) * h, xs: range(at.columns).map((i) => (i + 0.5) * w) })),
      ...between.map((j) => ({ y: j * h, xs: beside.map((i) => i * w) })),
    ];
    return lines.toSorted((a, b) => a.y - b.y).flatMap(({ y, xs }) => xs.map((x) => diamond(x, y)));
  },
};

const box = (x: number, y: number, w: number, h: number): Ring => [
  { x, y },
  { x: x + w, y },
  { x: x + w, y: y + h },
  { x, y: y + h },
];

const bricks: LatticePattern = {
  regular: [0.45, 0.75],
  count: ({ columns, rows }) => sum(rows, (r) => columns + (isOdd(r) ? 1 : 0)),
  cell: ({ w, h }, { columns, rows }) => ({ w: w / columns, h: h / rows }),
  cells(room, at) {
    const { w, h } = bricks.cell(room, at);
    return range(at.rows).flatMap((row) => {
      const left = isOdd(row) ? -w / 2 : 0;
      return range(at.columns + (isOdd(row) ? 1 : 0)).map((i) => box(left + i * w, row * h, w, h));
    });
  },
  fills: true,
};

export const lattices = {
  hexagons,
  hexagonsOnSides: onItsSide(hexagons),
  triangles,
  diamonds,
  bricks,
} as const satisfies Record<string, LatticePattern>;

/**
 * Two-to-one bricks laid in turn along and across, `u` mm wide, over a room of that size: lying ones at u·(a + 2b, a − 2b) and a standing one at
 * (2u, −u) from each, for all whole a and b.
 */
export function herringbone({ w, h }: Size, u: number): readonly Ring[] {
  const cells: Ring[] = [];
  const reach = ceil((w + h) / u) + 4;
  for (let a = -reach; a <= reach; a += 1)
    // Others lie above the room or below it.
    for (let b = floor((a - h / u - 1) / 2); b <= ceil((a + 1) / 2); b += 1) {
      const [x, y] = [u * (a + 2 * b), u * (a - 2 * b)];
      for (const [left, top, wide, high] of [
        [x, y, 2 * u, u],
        [x + 2 * u, y - u, u, 2 * u],
      ] as const)
        if (left < w - 1e-6 && top < h - 1e-6 && left + wide > 1e-6 && top + high > 1e-6)
          cells.push(box(left, top, wide, high));
    }
  return cells;
}
