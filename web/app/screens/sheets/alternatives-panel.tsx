import { Box } from "@chakra-ui/react";
import { cutMarks, pieceLabels, type SheetWays } from "#core/sheets";
import { sheets as words } from "../../../text/sheets.ts";
import { Tick } from "../../components/checkbox.tsx";
import { Named } from "../../components/field-label.tsx";
import { LengthField } from "../../components/length-field.tsx";
import { OneOfFew } from "../../components/segmented.tsx";
import { Choose } from "../../components/select.tsx";
import { useProject, useSession } from "../../state/session/hooks.ts";
import { changeSheets } from "../../state/sheets/print-sheets.ts";
import { PanelSection } from "../pages/panel/parts.tsx";

const usualSpacingMm = 6;

/** How cards lie beside each other, and what is printed to cut by. */
export function WaysPanel({ ways }: { readonly ways: SheetWays }) {
  const session = useSession();
  const unit = useProject((s) => s.project.unit);
  const set = (change: Partial<SheetWays>) => changeSheets(session, { ways: { ...ways, ...change } });
  return (
    <PanelSection title={words.how}>
      <OneOfFew
        label={words.how}
        value={ways.spacingMm > 0 ? "apart" : "share"}
        options={[
          ["share", words.share],
          ["apart", words.apart],
        ]}
        onChoose={(v) => set({ spacingMm: v === "share" ? 0 : usualSpacingMm })}
      />
      {ways.spacingMm > 0 && (
        <Box mt="3">
          <LengthField
            label={words.spacing}
            mm={ways.spacingMm}
            unit={unit === "px" ? "mm" : unit}
            ppi={300}
            onMm={(mm) => (mm > 0 && mm <= 50 ? void set({ spacingMm: mm }) : "0 \u2013 50 mm")}
          />
        </Box>
      )}
      <Box mt="3">
        <Tick label={words.together} on={ways.together} onTick={(together) => set({ together })} />
      </Box>
      <Box mt="3">
        <Named label={words.marks}>
          <Choose
            label={words.marks}
            value={ways.marks}
            options={cutMarks.map((m) => [m, words.marksKinds[m]] as const)}
            onChoose={(marks) => set({ marks })}
          />
        </Named>
      </Box>
      <Box mt="3">
        <Named label={words.labels}>
          <Choose
            label={words.labels}
            value={ways.labels}
            options={pieceLabels.map((l) => [l, words.labelKinds[l]] as const)}
            onChoose={(labels) => set({ labels })}
          />
        </Named>
      </Box>
    </PanelSection>
  );
}
