import type * as english from "./en/index.ts";

/** Every word on screen, and how numbers and dates are written with them: one object, which another language has to match. */
export type Words = { readonly [K in keyof typeof english]: (typeof english)[K] };
