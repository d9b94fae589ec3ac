export { type Tone, tidyTone, toneKey } from "./key.ts";
export { meanFigures, type ToneFigures, toneFigures, toneLike } from "./match.ts";
export { namedTones, type ToneName } from "./named.ts";
export { quickToner, type ToneLoop } from "./quick-toner.ts";
export { type Toner, type ToneTables, toneInto, toneTables } from "./tone.ts";
