import { Box, HStack, Text } from "@chakra-ui/react";
import { familyOf, fontPairs, wordRoles } from "#core/words";
import { style as say } from "../../../../text/index.ts";
import { sampleFamily } from "../../../../words/sample-fonts.ts";
import { PanelSection } from "../../../components/panel-parts.tsx";
import { useServices } from "../../../services.ts";
import { setFont, setFontPair } from "../../../state/edit/work-style.ts";
import { usePanel, useSession } from "../../../state/session/hooks.ts";
import css from "./font-menu.module.css";
import { FontMenu } from "./font-menu.tsx";

/** What the words of the work are set in. */
export function WorkFonts() {
  const { fonts } = useServices();
  const session = useSession();
  const styles = usePanel((s) => s.project.words);
  return (
    <PanelSection title={say.fonts} folds="work-fonts" folded>
      {wordRoles.map((role) => (
        <Box key={role} mb="2">
          <Text fontSize="14px" fontWeight="500" color="fg.muted" mb="1" aria-hidden>
            {say.fontOf[role]}
          </Text>
          <FontMenu
            label={say.fontOf[role]}
            font={styles[role].font}
            onChoose={(font) => setFont(session, role, font)}
          />
        </Box>
      ))}
      <Text fontSize="14px" fontWeight="500" color="fg.muted" mt="3" mb="1">
        {say.pairs}
      </Text>
      <HStack gap="2" role="group" aria-label={say.pairs}>
        {fontPairs.map(({ title, text }) => {
          const names = [title, text].map((id) => familyOf(id)!.name) as [string, string];
          return (
            <button
              key={title}
              type="button"
              className={css.pair}
              aria-label={say.pair(...names)}
              aria-pressed={styles.title.font === title && styles.journal.font === text}
              onClick={() => setFontPair(session, title, text)}
            >
              <span className={css.pairTitle} style={{ fontFamily: sampleFamily(title, fonts) }}>
                {names[0]}
              </span>
              <span className={css.pairText} style={{ fontFamily: sampleFamily(text, fonts) }}>
                {names[1]}
              </span>
            </button>
          );
        })}
      </HStack>
      <Text fontSize="13.5px" color="fg.muted" mt="2">
        {say.fontsLead}
      </Text>
    </PanelSection>
  );
}
