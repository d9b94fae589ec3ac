import { Button, Text } from "@chakra-ui/react";
import { type Look, lookKeys, type StepCode, saidBy } from "#core/document";
import { formatLength } from "#core/units";
import { changeTrouble, style as words } from "../../../../text/index.ts";
import { PanelSection } from "../../../components/panel-parts.tsx";
import { usePanel, useSession } from "../../../state/session/hooks.ts";
import { LookSections } from "./look-sections.tsx";
import { OtherWorksStyle } from "./other-works-style.tsx";
import { PaletteSection } from "./palette-section.tsx";
import { SavedStyles } from "./saved-styles.tsx";
import { WorkFonts } from "./work-fonts.tsx";

/** How all pages of the work look that do not say otherwise themselves. */
export function WorkLook() {
  const session = useSession();
  const project = usePanel((s) => s.project);
  const { style, unit, format } = project;
  const differ = project.pages.filter((p) => Object.keys(saidBy(p)).length > 0);
  const keep = (code: StepCode, next: Look): string | undefined => {
    const done = session.commit({ code, count: 1 }, [{ type: "setProject", style: next }]);
    return done.ok ? undefined : changeTrouble(done, (mm) => formatLength(mm, unit, format.ppi));
  };
  const asStyle = () =>
    session.commit({ code: "dressedPages", count: differ.length }, [
      { type: "setPages", items: differ.map((p) => ({ id: p.id, unset: lookKeys.filter((k) => p[k] !== undefined) })) },
    ]);
  return (
    <>
      <Text fontSize="13.5px" color="fg.muted" mb="2">
        {words.lead}
      </Text>
      {differ.length > 0 && (
        <PanelSection>
          <Text fontSize="13.5px" color="fg.muted" mb="1">
            {words.differ(differ.length)}
          </Text>
          <Button size="sm" variant="outline" onClick={asStyle}>
            {words.asStyle}
          </Button>
        </PanelSection>
      )}
      <PaletteSection />
      <LookSections
        look={style}
        kept={() => session.state.getState().project.style}
        onShow={(next) => session.preview([{ type: "setProject", style: next }])}
        onKeep={keep}
        folded={false}
        of="work"
        unit={unit}
        format={format}
      />
      <WorkFonts />
      <SavedStyles />
      <OtherWorksStyle />
    </>
  );
}
