import { HStack } from "@chakra-ui/react";
import type { ReactNode } from "react";
import type { Look, StepCode } from "#core/document";
import type { PageFormat } from "#core/lab";
import type { Unit } from "#core/units";
import { dress, panel as words } from "../../../../text/index.ts";
import { PanelSection } from "../../../components/panel-parts.tsx";
import { lightChange, setLight } from "../../../state/edit/light.ts";
import { useSession } from "../../../state/session/hooks.ts";
import { BorderRows } from "./border-rows.tsx";
import { ColourRow } from "./colour-row.tsx";
import { GoesWith } from "./going-with.tsx";
import { LengthRow } from "./length-row.tsx";
import { Margins } from "./margins.tsx";
import { PagePaper } from "./page-paper.tsx";
import { GivePaper } from "./paper-rows.tsx";
import { ShadowSection } from "./shadow-section.tsx";
import { SoftRows } from "./soft-rows.tsx";
import { WhiteBorderSection } from "./white-border.tsx";

interface LookSectionsProps {
  readonly look: Look;
  /** As it is kept: what lies on the page is what a slider changes, the look it starts from is this one. */
  readonly kept: () => Look;
  readonly onShow: (look: Look) => void;
  /** What is wrong with it, in words. */
  readonly onKeep: (code: StepCode, look: Look) => string | undefined;
  /** Where nothing is arranged with gaps. */
  readonly noGaps?: boolean;
  /** Sections that are folded at first: a book's pages share them as a rule. */
  readonly folded: boolean;
  /** What the fields of the margin stand for, so that they begin anew with another. */
  readonly of: string;
  readonly unit: Unit;
  readonly format: PageFormat;
  /** What follows the colour in its section. */
  readonly children?: ReactNode;
}

/** How a page looks, or how all of them do. */
export function LookSections(props: LookSectionsProps) {
  const { look, kept, onShow, onKeep, folded, unit, format } = props;
  const session = useSession();
  const shortMm = Math.min(format.widthMm, format.heightMm);
  const row = (label: string, code: StepCode, mm: number, sliderMostMm: number, withMm: (mm: number) => Look) => (
    <LengthRow
      label={label}
      mm={mm}
      sliderMostMm={sliderMostMm}
      unit={unit}
      format={format}
      onMove={(v) => onShow(withMm(v))}
      onMm={(v) => onKeep(code, withMm(v))}
    />
  );
  return (
    <>
      {!props.noGaps && (
        <PanelSection title={words.gapAndMargin} folds={folded ? "bookGap" : "gap"} folded={folded}>
          {row(words.gap, "changedGap", look.gapMm, Math.max(8, shortMm / 12), (gapMm) => ({ ...kept(), gapMm }))}
          <Margins
            key={props.of}
            margin={look.margin}
            unit={unit}
            format={format}
            onShow={(margin) => onShow({ ...kept(), margin })}
            onKeep={(margin) => onKeep("changedMargin", { ...kept(), margin })}
          />
        </PanelSection>
      )}
      <PanelSection title={words.edges} folds="edges" folded={props.of !== "work"}>
        {row(words.corner, "changedCorner", look.cornerMm, Math.max(10, shortMm / 8), (cornerMm) => ({
          ...kept(),
          cornerMm,
        }))}
        <BorderRows
          border={look.border}
          mostMm={Math.max(5, shortMm / 30)}
          unit={unit}
          format={format}
          onShow={(own) => onShow({ ...kept(), border: { ...kept().border, ...own } })}
          onKeep={(own) => onKeep("changedBorder", { ...kept(), border: { ...kept().border, ...own } })}
        />
      </PanelSection>
      <ShadowSection
        title={dress.shadowSoft}
        shadow={look.shadow}
        light={look.light}
        unit={unit}
        format={format}
        onShow={(shadow) => onShow({ ...kept(), shadow })}
        onKeep={(shadow) => void onKeep("changedShadow", { ...kept(), shadow })}
        onShowLight={(light) => session.preview([lightChange(session.state.getState().project, light)])}
        onLight={(light) => setLight(session, light)}
      >
        <SoftRows
          soft={look.soft}
          mostMm={Math.min(40, shortMm / 6)}
          straight={look.cornerMm === 0}
          unit={unit}
          format={format}
          onShow={(soft) => onShow({ ...kept(), soft })}
          onKeep={(soft) => onKeep("changedSoft", { ...kept(), soft })}
        />
      </ShadowSection>
      <WhiteBorderSection
        look={look}
        unit={unit}
        format={format}
        onShow={(whiteBorder) => onShow({ ...kept(), whiteBorder })}
        onKeep={(whiteBorder) => void onKeep("changedWhiteBorder", { ...kept(), whiteBorder })}
      />
      <PanelSection>
        <ColourRow
          label={words.pageColour}
          colour={look.background}
          onMove={(background) => onShow({ ...kept(), background })}
          onEnd={(background) => void onKeep("changedColour", { ...kept(), background })}
        >
          <HStack gap="1">
            <GoesWith
              onColour={(background) => void onKeep("changedColour", { ...kept(), background })}
              onPaper={(paper) => void onKeep("laidPaper", { ...kept(), paper })}
            />
            {!look.paper && <GivePaper />}
          </HStack>
        </ColourRow>
        <PagePaper
          look={look}
          unit={unit}
          format={format}
          onShow={onShow}
          onKeep={(code, next) => void onKeep(code, next)}
        />
        {props.children}
      </PanelSection>
    </>
  );
}
