/** A key as an event has it, with the modifiers in front: `Mod+Shift+Z`. `Mod` is Ctrl, or Cmd on a Mac. */
export type Keys = string;

/** What of a keyboard event is looked at. */
export interface Pressed {
  readonly key: string;
  readonly ctrlKey: boolean;
  readonly metaKey: boolean;
  readonly shiftKey: boolean;
  readonly altKey: boolean;
}

/** Several keys that are one in the table, since a command asks them for a direction. */
export const families = {
  Arrows: ["ArrowLeft", "ArrowRight", "ArrowUp", "ArrowDown"],
  Sideways: ["ArrowLeft", "ArrowRight"],
  Upright: ["ArrowUp", "ArrowDown"],
} as const;

const isFamily = (name: string): name is keyof typeof families => name in families;

/** The modifiers and the key of `Mod+Shift+Z`; the plus key itself is `+`. */
export function parts(keys: Keys): { readonly modifiers: readonly string[]; readonly key: string } {
  const all = keys === "+" ? ["+"] : keys.split("+");
  return { modifiers: all.slice(0, -1), key: all.at(-1)! };
}

/** Shift only makes another sign of such a key, and which one depends on the keyboard. */
const isSign = (key: string) => key.length === 1 && !/[\p{L}\p{N} ]/u.test(key);

/** Whether these keys were pressed, with just these modifiers. */
export function isPressed(keys: Keys, e: Pressed): boolean {
  const { modifiers, key } = parts(keys);
  const fits = isFamily(key)
    ? (families[key] as readonly string[]).includes(e.key)
    : key === "Space"
      ? e.key === " "
      : key.toLowerCase() === e.key.toLowerCase();
  return (
    fits &&
    (e.ctrlKey || e.metaKey) === modifiers.includes("Mod") &&
    e.altKey === modifiers.includes("Alt") &&
    (isSign(key) || e.shiftKey === modifiers.includes("Shift"))
  );
}

/** Where an arrow key points to; nowhere for any other key. */
export const direction = ({ key }: Pressed): { readonly x: -1 | 0 | 1; readonly y: -1 | 0 | 1 } => ({
  x: key === "ArrowLeft" ? -1 : key === "ArrowRight" ? 1 : 0,
  y: key === "ArrowUp" ? -1 : key === "ArrowDown" ? 1 : 0,
});

/** As far as an arrow key moves what it moves. */
export const arrow = (e: Pressed, by: number): { readonly x: number; readonly y: number } => ({
  x: direction(e).x * by,
  y: direction(e).y * by,
});

/** Back or on, for whatever stands in one row. */
export const alongRow = (e: Pressed): -1 | 0 | 1 => direction(e).x || direction(e).y;
