import { faceKey, fallbackKeys } from "./fonts.ts";
import { spanFaceKey } from "./paragraph.ts";
import type { WordStyle } from "./schema/fonts.ts";
import type { Span } from "./spans.ts";

export interface FaceNeeds {
  readonly text: string;
  readonly style: WordStyle;
  readonly spans?: readonly Span[] | undefined;
}

/** Letters that every font has which is offered. */
const everywhere = /^[\s\u0020-\u007e\u00a0-\u00ff\u2013\u2014\u2018-\u201e\u2026]*$/;

/** All faces that words are set in, those included that might lend them letters. */
export function faceKeysFor({ text, style, spans }: FaceNeeds): readonly string[] {
  const own = [faceKey(style), ...(spans ?? []).map((s) => spanFaceKey(style, s))];
  const rare = everywhere.test(text) ? [] : [...new Set(text)].filter((c) => !everywhere.test(c));
  return [...new Set([...own, ...rare.flatMap((c) => own.flatMap((key) => fallbackKeys(c, key)))])];
}
