import { Button, Text } from "@chakra-ui/react";
import { type Change, groupAt, holdsPockets, type PlacedTile } from "#core/document";
import { groupGap, wholeGroup } from "#core/edit";
import { formatLength } from "#core/units";
import { changeTrouble, panel as words } from "../../../../text/index.ts";
import { PanelSection } from "../../../components/panel-parts.tsx";
import { openPlaced, usePanel, useSession } from "../../../state/session/hooks.ts";
import { LengthRow } from "./length-row.tsx";

/** Of a group that is chosen whole: the gap of its own, and that what is set here holds for what joins it. */
export function GroupSection({ tiles }: { readonly tiles: readonly PlacedTile[] }) {
  const session = useSession();
  const on = usePanel(openPlaced);
  const unit = usePanel((s) => s.project.unit);
  const { page, format } = on;
  const ids = tiles.map((t) => t.id);
  const at = wholeGroup(page, ids) && groupAt(on, ids[0]);
  if (!at) return null;
  const length = (mm: number) => formatLength(mm, unit, format.ppi);
  const keep = (gapMm: number | undefined): string | undefined => {
    const asked = groupGap(page.id, at, gapMm);
    if (!asked.ok) return changeTrouble(asked, length);
    const kept = session.commit({ code: "changedGap", count: 1 }, [asked.value]);
    return kept.ok ? undefined : changeTrouble(kept, length);
  };
  const show = (gapMm: number): readonly Change[] => {
    const asked = groupGap(page.id, at, gapMm);
    return asked.ok ? [asked.value] : [];
  };
  return (
    <PanelSection title={words.wholeGroup} folds="group">
      <Text fontSize="13.5px" color="fg.muted" mb="2">
        {words.wholeGroupLead}
      </Text>
      {!holdsPockets(page) && (
        <LengthRow
          label={words.gap}
          mm={at.gapMm}
          sliderMostMm={Math.max(8, Math.min(at.room.w, at.room.h) / 12)}
          unit={unit}
          format={format}
          onMove={(mm) => session.preview(show(mm))}
          onMm={keep}
        />
      )}
      {at.group.gapMm !== undefined && (
        <Button size="sm" variant="ghost" onClick={() => keep(undefined)}>
          {words.gapOfPage}
        </Button>
      )}
    </PanelSection>
  );
}
