import { Text } from "@chakra-ui/react";
import { fontFamilies } from "#core/words";
import { style as say, words } from "../../../../text/index.ts";
import { Beside } from "../../../components/field-label.tsx";
import { PanelSection } from "../../../components/panel-parts.tsx";
import { Select } from "../../../components/select.tsx";
import { type FontRole, setFont } from "../../../state/edit/work-style.ts";
import { usePanel, useSession } from "../../../state/session/hooks.ts";

const roles: readonly FontRole[] = ["title", "caption", "journal"];

/** What the words of the work are set in. */
export function WorkFonts() {
  const session = useSession();
  const styles = usePanel((s) => s.project.words);
  return (
    <PanelSection title={say.fonts} folds="work-fonts" folded>
      {roles.map((role) => (
        <Beside key={role} label={say.fontOf[role]}>
          <Select
            label={say.fontOf[role]}
            value={styles[role].font}
            options={fontFamilies.map((f) => [f.id, `${f.name}, ${words.kinds[f.kind]}`])}
            onChoose={(font) => setFont(session, role, font)}
          />
        </Beside>
      ))}
      <Text fontSize="13.5px" color="fg.muted" mt="1">
        {say.fontsLead}
      </Text>
    </PanelSection>
  );
}
