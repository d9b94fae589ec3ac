import { Button, HStack } from "@chakra-ui/react";
import { X } from "lucide-react";
import { freeTiles } from "#core/document";
import { guideAdded, guideMoved, guideRemoved } from "#core/edit";
import { free as words } from "../../../../text/index.ts";
import { LengthField } from "../../../components/length-field.tsx";
import { Act, PanelSection } from "../../../components/panel-parts.tsx";
import { keep } from "../../../state/edit/tree-gestures.ts";
import { openPlaced, usePanel, useSession } from "../../../state/session/hooks.ts";

/** The page's guides by number. */
export function GuidesSection() {
  const session = useSession();
  const { page, format } = usePanel(openPlaced);
  const unit = usePanel((s) => s.project.unit);
  // Where nothing lies freely there is nothing to lay by them, until one is dragged out of the page's edge.
  if (freeTiles(page).length === 0 && !page.guides) return null;
  const most = (axis: "x" | "y") => (axis === "x" ? format.widthMm : format.heightMm);
  const add = (axis: "x" | "y") =>
    keep(session, "laidGuide", 1, (on) => guideAdded(on.page, { axis, mm: most(axis) / 2 }));
  return (
    <PanelSection title={words.guides} folds="guides" folded>
      {(page.guides ?? []).map(({ axis, mm }, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: a line has nothing but its place
        <HStack key={i} gap="1" mb="1.5" align="end">
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
      <HStack gap="1.5">
        <Button size="sm" px="2" variant="outline" onClick={() => add("x")}>
          {words.guideUpright}
        </Button>
        <Button size="sm" px="2" variant="outline" onClick={() => add("y")}>
          {words.guideLevel}
        </Button>
      </HStack>
    </PanelSection>
  );
}
