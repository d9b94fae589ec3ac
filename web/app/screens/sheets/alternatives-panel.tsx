import { Box } from "@chakra-ui/react";
import { cutMarks, pieceLabels, type SheetAlternatives } from "#core/sheets";
import { sheets as words } from "../../../text/index.ts";
import { Checkbox } from "../../components/checkbox.tsx";
import { FieldLabel } from "../../components/field-label.tsx";
import { LengthField } from "../../components/length-field.tsx";
import { PanelSection } from "../../components/panel-parts.tsx";
import { Segmented } from "../../components/segmented.tsx";
import { Select } from "../../components/select.tsx";
import { useProject, useSession } from "../../state/session/hooks.ts";
import { changeSheets } from "../../state/sheets/print-sheets.ts";

const usualSpacingMm = 6;

/** How cards lie beside each other, and what is printed to cut by. */
export function AlternativesPanel({ ways }: { readonly ways: SheetAlternatives }) {
  const session = useSession();
  const unit = useProject((s) => s.project.unit);
  const set = (change: Partial<SheetAlternatives>) => changeSheets(session, { ways: { ...ways, ...change } });
  return (
    <PanelSection title={words.how}>
      <Segmented
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
        <Checkbox label={words.together} on={ways.together} onToggle={(together) => set({ together })} />
      </Box>
      <Box mt="3">
        <FieldLabel label={words.marks}>
          <Select
            label={words.marks}
            value={ways.marks}
            options={cutMarks.map((m) => [m, words.marksKinds[m]] as const)}
            onChoose={(marks) => set({ marks })}
          />
        </FieldLabel>
      </Box>
      <Box mt="3">
        <FieldLabel label={words.labels}>
          <Select
            label={words.labels}
            value={ways.labels}
            options={pieceLabels.map((l) => [l, words.labelKinds[l]] as const)}
            onChoose={(labels) => set({ labels })}
          />
        </FieldLabel>
      </Box>
    </PanelSection>
  );
}
