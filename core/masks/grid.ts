/** Pixels over a rectangle: its top left in mm, how many there are, and how many lie on a mm across and down. */
export interface Grid {
  readonly x: number;
  readonly y: number;
  readonly w: number;
  readonly h: number;
  readonly sx: number;
  readonly sy: number;
}
