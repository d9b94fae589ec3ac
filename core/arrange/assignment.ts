/**
 * The cheapest way to give each of `n` rows a column of its own, by shortest augmenting paths (Kuhn 1955; Jonker and Volgenant 1987). There are at
 * least as many columns as rows; gives the column of each row.
 */
export function assigned(rows: number, columns: number, cost: (row: number, column: number) => number): number[] {
  const rowPrice = new Float64Array(rows + 1);
  const columnPrice = new Float64Array(columns + 1);
  const rowOf = new Int32Array(columns + 1);
  const before = new Int32Array(columns + 1);
  for (let row = 1; row <= rows; row += 1) {
    rowOf[0] = row;
    let at = 0;
    const least = new Float64Array(columns + 1).fill(Number.POSITIVE_INFINITY);
    const used = new Uint8Array(columns + 1);
    do {
      used[at] = 1;
      const here = rowOf[at]!;
      let step = Number.POSITIVE_INFINITY;
      let next = 0;
      for (let column = 1; column <= columns; column += 1) {
        if (used[column]) continue;
        const now = cost(here - 1, column - 1) - rowPrice[here]! - columnPrice[column]!;
        if (now < least[column]!) {
          least[column] = now;
          before[column] = at;
        }
        if (least[column]! < step) {
          step = least[column]!;
          next = column;
        }
      }
      for (let column = 0; column <= columns; column += 1)
        if (used[column]) {
          rowPrice[rowOf[column]!]! += step;
          columnPrice[column]! -= step;
        } else least[column]! -= step;
      at = next;
    } while (rowOf[at] !== 0);
    while (at !== 0) {
      rowOf[at] = rowOf[before[at]!]!;
      at = before[at]!;
    }
  }
  const found = new Array<number>(rows).fill(-1);
  for (let column = 1; column <= columns; column += 1) if (rowOf[column]! > 0) found[rowOf[column]! - 1] = column - 1;
  return found;
}
