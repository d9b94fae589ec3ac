import { Box, Button, HStack, Text } from "@chakra-ui/react";
import { Trash2, X } from "lucide-react";
import { useState } from "react";
import { freeTiles, insideRect } from "#core/document";
import { aids, guideAdded, guideMoved, guideRemoved, guidesCleared, guidesInTracks } from "#core/edit";
import { free as words } from "../../../../text/index.ts";
import { CountField } from "../../../components/count-field.tsx";
import { LengthField } from "../../../components/length-field.tsx";
import { Act, PanelSection } from "../../../components/panel-parts.tsx";
import { Segmented } from "../../../components/segmented.tsx";
import { useServices } from "../../../services.ts";
import { keep } from "../../../state/edit/tree-gestures.ts";
import { openPlaced, usePanel, useSession, useViewState } from "../../../state/session/hooks.ts";

/** The page's guides by number. */
export function GuidesSection() {
  const session = useSession();
  const { viewState } = useServices();
  const aid = useViewState((s) => s.aid);
  const { page, format } = usePanel(openPlaced);
  const unit = usePanel((s) => s.project.unit);
  // On a page that is all arranged there is nothing to lay by them, until one is dragged out of the page's edge.
  if (page.pieces.length > 0 && freeTiles(page).length === 0 && !page.guides && aid === "none") return null;
  const most = (axis: "x" | "y") => (axis === "x" ? format.widthMm : format.heightMm);
  const add = (axis: "x" | "y") =>
    keep(session, "laidGuide", 1, (on) => guideAdded(on.page, { axis, mm: most(axis) / 2 }));
  return (
    <PanelSection title={words.guides} folds="guides" folded>
      <Box mb="2.5">
        <Text fontSize="14px" mb="1">
          {words.aid}
        </Text>
        <Segmented
          label={words.aid}
          value={aid}
          options={aids.map((a) => [a, words.aids[a]])}
          onChoose={(next) => viewState.setState({ aid: next })}
        />
      </Box>
      <HStack gap="1.5">
        <Button size="sm" px="2" variant="outline" onClick={() => add("x")}>
          {words.guideUpright}
        </Button>
        <Button size="sm" px="2" variant="outline" onClick={() => add("y")}>
          {words.guideLevel}
        </Button>
        {page.guides && (
          <Act
            icon={Trash2}
            name={words.clearGuides}
            onAct={() => keep(session, "removedGuide", 1, (on) => guidesCleared(on.page))}
          />
        )}
      </HStack>
      <Tracks />
      {(page.guides ?? []).map(({ axis, mm }, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a line has nothing but its place
        <HStack key={i} gap="1" mt="1.5" align="end">
          <LengthField
            label={words.guideFrom[axis](i + 1)}
            mm={mm}
            unit={unit}
            ppi={format.ppi}
            onMm={(next) => {
              if (next < 0 || next > most(axis)) return words.guideOff;
              keep(session, "movedGuide", 1, (on) => guideMoved(on.page, i, next, most(axis)));
              return undefined;
            }}
          />
          <Act
            icon={X}
            name={words.guideRemove(i + 1)}
            onAct={() => keep(session, "removedGuide", 1, (on) => guideRemoved(on.page, i))}
          />
        </HStack>
      ))}
    </PanelSection>
  );
}

/** Guides on both sides of columns and rows, inside the margins. */
function Tracks() {
  const session = useSession();
  const { look, format } = usePanel(openPlaced);
  const unit = usePanel((s) => s.project.unit);
  const [columns, setColumns] = useState(3);
  const [rows, setRows] = useState(3);
  const [gapMm, setGapMm] = useState(look.gapMm);
  const lay = () =>
    keep(session, "laidGuide", columns + rows, (on) => {
      const r = insideRect(on.look, on.format);
      const upright = guidesInTracks(on.page, "x", { count: columns, gapMm, fromMm: r.x, toMm: r.x + r.w });
      return guidesInTracks(upright, "y", { count: rows, gapMm, fromMm: r.y, toMm: r.y + r.h });
    });
  return (
    <Box mt="2.5">
      <HStack gap="2" align="end">
        <CountField label={words.columns} value={columns} onCount={(n) => setColumns(Math.min(24, n ?? 0))} />
        <CountField label={words.rows} value={rows} onCount={(n) => setRows(Math.min(24, n ?? 0))} />
        <LengthField
          label={words.gapBetween}
          mm={gapMm}
          unit={unit}
          ppi={format.ppi}
          onMm={(mm) => {
            setGapMm(Math.max(0, mm));
            return undefined;
          }}
        />
      </HStack>
      <Button mt="2" size="sm" px="2" variant="outline" disabled={columns + rows === 0} onClick={lay}>
        {words.layTracks}
      </Button>
    </Box>
  );
}
