import type { BeginStep, ShadeStep } from "#core/scene";
import { PixelShelf } from "./pixel-shelf.ts";

/** About 64 MB of pictures. */
const mostPixels = 16_000_000;

/** What was drawn as one, its mask already put through it, or a shadow; and where it lies on the canvas. */
export interface KeptLayer {
  readonly picture: ImageBitmap;
  readonly x: number;
  readonly y: number;
}

interface Kept extends KeptLayer {
  /** Out of which pictures it was painted. */
  readonly pictures: readonly unknown[];
}

/**
 * Things drawn as one on a screen, by the step that they begin with, and shadows: core gives the same step as long as nothing about a tile changes.
 * Each costs a canvas of its own, and a mask that is turned and scaled, which a page would pay in every frame while only one of its tiles moves.
 */
export class LayerShelf {
  readonly #kept = new PixelShelf<Kept>(mostPixels);
  readonly #names = new WeakMap<BeginStep | ShadeStep, number>();
  #named = 0;

  /** `on`: what it is painted on, and how large. */
  get(step: BeginStep | ShadeStep, on: string, pictures: readonly unknown[]): KeptLayer | undefined {
    const known = this.#kept.get(this.#keyOf(step, on));
    const same = known?.pictures.length === pictures.length && known.pictures.every((p, i) => p === pictures[i]);
    return same ? known : undefined;
  }

  keep(step: BeginStep | ShadeStep, on: string, pictures: readonly unknown[], layer: KeptLayer): void {
    this.#kept.keep(this.#keyOf(step, on), { ...layer, pictures });
  }

  #keyOf(step: BeginStep | ShadeStep, on: string): string {
    const name = this.#names.get(step) ?? this.#named++;
    this.#names.set(step, name);
    return `${name} ${on}`;
  }
}
