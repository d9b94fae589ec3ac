import { useMemo } from "react";
import { type DrawnSheet, piecePage } from "#core/sheet-files";
import type { LaidCard } from "#core/sheets";
import { PageCanvas } from "../../components/page-canvas.tsx";
import { useFacts } from "../../state/session/facts.ts";
import { useProject } from "../../state/session/hooks.ts";
import css from "./sheet-drawing.module.css";

interface CardPictureProps {
  readonly sheet: DrawnSheet;
  readonly card: LaidCard;
  /** Pixels of the screen to a mm. */
  readonly scale: number;
}

/** What is printed on a card, as it lies on its sheet; from the cell's top left. */
export function CardPicture({ sheet, card, scale }: CardPictureProps) {
  const project = useProject((s) => s.project);
  const facts = useFacts();
  const want = sheet.wants.get(card.item)!;
  const { cell, turned } = card;
  const more = Math.max(0, (cell.w - card.w) / 2, (cell.h - card.h) / 2);
  const [w, h] = turned ? [cell.h, cell.w] : [cell.w, cell.h];
  const seen = useMemo(() => {
    const piece = piecePage(project, want, more, (id) => facts.photo(id)?.takenAt);
    const [cardW, cardH] = turned ? [card.h, card.w] : [card.w, card.h];
    return piece && { ...piece, box: cellBox(piece.cut, w, h, cardW, cardH), times: cardW / piece.cut.w };
  }, [project, want, more, facts, turned, card, w, h]);
  return (
    <div
      className={css.picture}
      style={{
        width: w * scale,
        height: h * scale,
        transform: turned ? `translateX(${cell.w * scale}px) rotate(90deg)` : undefined,
      }}
    >
      {seen && <PageCanvas page={seen.page} scale={scale * seen.times} box={seen.box} />}
    </div>
  );
}

/** Whether most of a sheet is read from its side, so that it is shown turned back. */
export function isReadFromSide({ laid }: DrawnSheet): boolean {
  const area = (turned: boolean) =>
    laid.cards.filter((c) => c.turned === turned).reduce((sum, c) => sum + c.w * c.h, 0);
  return area(true) > area(false);
}

/** The cell around the cut of a piece, in the piece's own mm. */
function cellBox(
  cut: { readonly x: number; readonly y: number; readonly w: number; readonly h: number },
  cellW: number,
  cellH: number,
  cardW: number,
  cardH: number,
) {
  const [kx, ky] = [cut.w / cardW, cut.h / cardH];
  return { x: cut.x - ((cellW - cardW) / 2) * kx, y: cut.y - ((cellH - cardH) / 2) * ky, w: cellW * kx, h: cellH * ky };
}
