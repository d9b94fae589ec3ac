import type { Paper } from "#core/artwork";
import type { PlacedTile } from "#core/document";
import { papers as words } from "../../../../text/index.ts";
import { PanelSection } from "../../../components/panel-parts.tsx";
import { paperChange } from "../../../state/edit/papers.ts";
import { openPlaced, usePanel, useSession } from "../../../state/session/hooks.ts";
import { PaperRows } from "./paper-rows.tsx";

/** The paper in one tile or in several; of several what is shown is what the first of them has, and what is set is set on all. */
export function TilePaper({ tiles }: { readonly tiles: readonly PlacedTile[] }) {
  const session = useSession();
  const { format } = usePanel(openPlaced);
  const unit = usePanel((s) => s.project.unit);
  const held = tiles.filter((t) => t.filling.kind === "paper");
  const [first] = held;
  if (first?.filling.kind !== "paper") return null;
  const { paper } = first.filling;
  const ids = held.map((t) => t.id);
  // Only what was changed goes on to the others: each keeps its own design and colours.
  const onto = (next: Paper) => (was: Paper | undefined) =>
    was && was !== paper
      ? { ...was, ...Object.fromEntries(Object.entries(next).filter(([k, v]) => paper[k as keyof Paper] !== v)) }
      : next;
  return (
    <PanelSection title={words.title} folds="tile-paper">
      <PaperRows
        paper={paper}
        fills={{ w: first.frame.width, h: first.frame.height }}
        inTiles={{ turned: held.some((t) => t.frame.turn !== 0) }}
        unit={unit}
        format={format}
        onShow={(next) => session.preview([paperChange(session, ids, onto(next))])}
        onKeep={(next, slider) =>
          session.commit(
            { code: "changedPaper", count: ids.length },
            [paperChange(session, ids, next ? onto(next) : () => undefined)],
            { mergeKey: slider && `paper-${slider}-${first.id}` },
          )
        }
      />
    </PanelSection>
  );
}
