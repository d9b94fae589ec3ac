import { formatsOf } from "../formats.ts";

export const language: string = "en-GB";
export const formats = formatsOf(language);

/** "1 photo", "1,240 photos". */
export const counted = (n: number, one: string, more: string): string =>
  `${formats.number(n)} ${formats.plural(n, { one, other: more })}`;
