import { Minus, Plus, TriangleAlert } from "lucide-react";
import { memo } from "react";
import { type Page, type Print, type Project, photoIdOf, placed } from "#core/document";
import { mostCopies } from "#core/edit";
import { prints as words } from "../../../text/index.ts";
import { PageThumb } from "../../components/page-thumb.tsx";
import { useLibrary } from "../../state/session/hooks.ts";
import css from "./print-card.module.css";
import { sharpnessOnPrint } from "./print-sharpness.ts";

export interface PrintHandlers {
  pick(pageId: string, held: { readonly shift: boolean; readonly ctrl: boolean }): void;
  open(pageId: string): void;
  step(pageId: string, by: number): void;
}

interface PrintCardProps {
  readonly page: Page & { readonly print: Print };
  readonly project: Project;
  /** CSS pixels for one mm. */
  readonly scale: number;
  readonly chosen: boolean;
  /** Whether the tab key stops here; one of them all does. */
  readonly stop: boolean;
  readonly handlers: PrintHandlers;
}

/** One print with how often it is wanted, and a mark where it will not be sharp. */
export const PrintCard = memo(function PrintCard({ page, project, scale, chosen, stop, handlers }: PrintCardProps) {
  const { id, print } = page;
  const on = placed(project, page);
  const photoId = on.tiles.map(photoIdOf).find((p) => p !== undefined);
  const photo = useLibrary((s) => (photoId === undefined ? undefined : s.byId.get(photoId)));
  const name = photo ? photo.caption || photo.name : "";
  const level = photo && sharpnessOnPrint(on, photo);
  const soft = level === "soft" ? words.soft : level === "fair" ? words.fair : undefined;
  return (
    <li className={css.card}>
      <button
        type="button"
        className={css.picture}
        aria-pressed={chosen}
        aria-label={[words.print(name, print.copies), ...(soft ? [soft] : [])].join(", ")}
        title={soft ?? name}
        tabIndex={stop ? 0 : -1}
        data-print={id}
        onClick={(e) => handlers.pick(id, { shift: e.shiftKey, ctrl: e.ctrlKey || e.metaKey })}
        onDoubleClick={() => handlers.open(id)}
      >
        <PageThumb page={on} scale={scale} />
        {soft && (
          <span className={`${css.soft} ${level === "fair" ? css.fair : ""}`}>
            <TriangleAlert size={15} aria-hidden />
          </span>
        )}
      </button>
      <div className={css.copies}>
        <button
          type="button"
          tabIndex={-1}
          aria-label={words.fewer(name)}
          disabled={print.copies <= 1}
          onClick={() => handlers.step(id, -1)}
        >
          <Minus size={15} aria-hidden />
        </button>
        <output aria-label={words.copies}>{print.copies}</output>
        <button
          type="button"
          tabIndex={-1}
          aria-label={words.more(name)}
          disabled={print.copies >= mostCopies}
          onClick={() => handlers.step(id, 1)}
        >
          <Plus size={15} aria-hidden />
        </button>
      </div>
    </li>
  );
});
