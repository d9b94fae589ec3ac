import { scattered } from "#core/arrange";

interface Asked {
  readonly page: { readonly width: number; readonly height: number; readonly safe: number };
  readonly prints: readonly {
    readonly id: string;
    readonly w: number;
    readonly h: number;
    readonly must: readonly { readonly x: number; readonly y: number; readonly w: number; readonly h: number }[];
  }[];
  readonly maxTurn: number;
  readonly share: number;
  readonly seed: number;
}

/** What the scatter kit calls. */
export const scatter = ({ page, ...asked }: Asked) =>
  scattered({ ...asked, page: { w: page.width, h: page.height }, safeMm: page.safe });
