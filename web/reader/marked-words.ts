import { useEffect, useState } from "react";
import type { ProofData } from "#core/notes";
import type { Draft } from "./leaf.tsx";
import { tileById } from "./leaf.tsx";

/** Where a spot of the selection lies in the text of its tile. */
function offsetOf(node: Node | null, offset: number): { readonly words: Element; readonly at: number } | undefined {
  const element = node instanceof Element ? node : node?.parentElement;
  const line = element?.closest<HTMLElement>("[data-from]");
  const words = line?.closest("[data-words]");
  return line && words ? { words, at: Number(line.dataset.from) + offset } : undefined;
}

/** A note on the words that are marked on a page, if any are. */
export function useMarkedWords(data: ProofData): Draft | undefined {
  const [marked, setMarked] = useState<Draft>();
  useEffect(() => {
    const hear = () => {
      const selection = getSelection();
      const [a, b] = [
        offsetOf(selection?.anchorNode ?? null, selection?.anchorOffset ?? 0),
        offsetOf(selection?.focusNode ?? null, selection?.focusOffset ?? 0),
      ];
      const pageId = a?.words.closest<HTMLElement>("[data-leaf]")?.dataset.leaf;
      const tileId = a?.words.getAttribute("data-words");
      if (!a || !b || a.words !== b.words || a.at === b.at) return setMarked(undefined);
      for (const leaf of data.leaves) {
        const said = leaf.pageId === pageId ? leaf.words.find((w) => w.tileId === tileId) : undefined;
        const tile = said && tileById(leaf, said.tileId);
        if (!said || !tile) continue;
        const [from, to] = [Math.min(a.at, b.at), Math.max(a.at, b.at)];
        const line = said.lines.findLast((l) => l.from <= from) ?? said.lines[0]!;
        const near = { x: line.x, y: line.y };
        const quote = said.text.slice(from, to).slice(0, 1000);
        const place = { pageId: leaf.pageId, tileId: said.tileId, within: { x: 0, y: -0.5 }, near };
        return setMarked({ place: { on: "words", ...place, from, to: from + quote.length, quote }, mark: said.mark });
      }
      setMarked(undefined);
    };
    document.addEventListener("selectionchange", hear);
    return () => document.removeEventListener("selectionchange", hear);
  }, [data]);
  return marked;
}
