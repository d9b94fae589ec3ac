import { Box, chakra, Flex, HStack, Text } from "@chakra-ui/react";
import { memo } from "react";
import { arrangementOf, holdsPockets, type Look, lookChange, type StepCode } from "#core/document";
import { formatLength, formatSize, type Unit, units } from "#core/units";
import { changeTrouble, dress, panel as words } from "../../../../text/index.ts";
import { PanelSection, PanelTitle } from "../../../components/panel-parts.tsx";
import { Select } from "../../../components/select.tsx";
import { lightChange, setLight } from "../../../state/edit/light.ts";
import { openPlaced, usePanel, useSession } from "../../../state/session/hooks.ts";
import { ArrangementSection } from "./arrangement-section.tsx";
import { Backdrop } from "./backdrop.tsx";
import { BookSection } from "./book-section.tsx";
import { BorderRows } from "./border-rows.tsx";
import { ColourRow } from "./colour-row.tsx";
import { GuidesSection } from "./guides-section.tsx";
import { LengthRow } from "./length-row.tsx";
import { Margins } from "./margins.tsx";
import { PageActs } from "./page-acts.tsx";
import { PagePaper } from "./page-paper.tsx";
import { KeepAsPockets, PocketsSection } from "./pockets-section.tsx";
import { ScatterSection } from "./scatter-section.tsx";
import { ShadowSection } from "./shadow-section.tsx";
import { SoftRows } from "./soft-rows.tsx";

/** The page as a whole: its grid, its gaps, its colours. */
export const PagePanel = memo(function PagePanel() {
  const session = useSession();
  // As it is kept: what a hand is doing at the moment is followed by those parts alone that show it.
  const page = usePanel(openPlaced);
  const { format, style } = page;
  const unit = usePanel((s) => s.project.unit);
  const lab = usePanel((s) => s.project.lab);
  const kind = usePanel((s) => s.project.kind);
  const length = (mm: number) => formatLength(mm, unit, format.ppi);
  const { look } = page;
  const inPockets = holdsPockets(page.page);
  const arrangement = arrangementOf(page.page);

  const show = (next: Look) => session.preview([lookChange(page.page, next, style)]);
  const keep = (code: StepCode, next: Look): string | undefined => {
    const kept = session.commit({ code, count: 1 }, [lookChange(page.page, next, style)]);
    return kept.ok ? undefined : changeTrouble(kept, length);
  };
  // What lies on the page is what a slider changes; the look it starts from is the one that is kept.
  const kept = () => openPlaced(session.state.getState()).look;
  const shortMm = Math.min(format.widthMm, format.heightMm);
  const row = (label: string, code: StepCode, mm: number, sliderMostMm: number, withMm: (mm: number) => Look) => (
    <LengthRow
      label={label}
      mm={mm}
      sliderMostMm={sliderMostMm}
      unit={unit}
      format={format}
      onMove={(v) => show(withMm(v))}
      onMm={(v) => keep(code, withMm(v))}
    />
  );

  return (
    <>
      <Flex justify="space-between" align="start">
        <PanelTitle>{kind === "prints" ? words.print : words.page}</PanelTitle>
        {kind !== "pockets" && kind !== "prints" && <PageActs />}
      </Flex>
      <HStack fontSize="14px" color="fg.muted" mt="-2" mb="2" justify="space-between" gap="3">
        <Text truncate fontVariantNumeric="tabular-nums">
          {formatSize(format.widthMm, format.heightMm, unit, format.ppi)}
          {lab && <chakra.span color="fg.subtle"> · {lab.name}</chakra.span>}
        </Text>
        <Box w="74px" flexShrink="0">
          <Select<Unit>
            label={words.unit}
            value={unit}
            options={units.map((u) => [u, u])}
            onChoose={(u) => session.commit({ code: "changedUnit", count: 1 }, [{ type: "setProject", unit: u }])}
          />
        </Box>
      </HStack>
      {inPockets && <PocketsSection />}
      {kind === "pockets" && !inPockets && <KeepAsPockets />}
      {arrangement && <ArrangementSection page={page.page} arrangement={arrangement} />}
      {page.page.scatter && <ScatterSection scatter={page.page.scatter} />}
      {!inPockets && !(page.page.scatter && !arrangement) && (
        <PanelSection
          title={words.gapAndMargin}
          // A book's pages share them as a rule.
          folds={kind === "book" ? "bookGap" : "gap"}
          folded={kind === "book"}
        >
          {row(words.gap, "changedGap", look.gapMm, Math.max(8, shortMm / 12), (gapMm) => ({ ...kept(), gapMm }))}
          <Margins
            key={page.id}
            margin={look.margin}
            unit={unit}
            format={format}
            onShow={(margin) => show({ ...kept(), margin })}
            onKeep={(margin) => keep("changedMargin", { ...kept(), margin })}
          />
        </PanelSection>
      )}
      <PanelSection title={words.edges} folds="edges" folded={kind === "book"}>
        {row(words.corner, "changedCorner", look.cornerMm, Math.max(10, shortMm / 8), (cornerMm) => ({
          ...kept(),
          cornerMm,
        }))}
        <BorderRows
          border={look.border}
          mostMm={Math.max(5, shortMm / 30)}
          unit={unit}
          format={format}
          onShow={(own) => show({ ...kept(), border: { ...kept().border, ...own } })}
          onKeep={(own) => keep("changedBorder", { ...kept(), border: { ...kept().border, ...own } })}
        />
      </PanelSection>
      <ShadowSection
        title={dress.shadowSoft}
        shadow={look.shadow}
        light={look.light}
        unit={unit}
        format={format}
        onShow={(shadow) => show({ ...kept(), shadow })}
        onKeep={(shadow) => void keep("changedShadow", { ...kept(), shadow })}
        onShowLight={(light) => session.preview([lightChange(session.state.getState().project, light)])}
        onLight={(light) => setLight(session, light)}
      >
        <SoftRows
          soft={look.soft}
          mostMm={Math.min(40, shortMm / 6)}
          straight={look.cornerMm === 0}
          unit={unit}
          format={format}
          onShow={(soft) => show({ ...kept(), soft })}
          onKeep={(soft) => keep("changedSoft", { ...kept(), soft })}
        />
      </ShadowSection>
      <PanelSection>
        <ColourRow
          label={words.pageColour}
          colour={look.background}
          onMove={(background) => show({ ...kept(), background })}
          onEnd={(background) => void keep("changedColour", { ...kept(), background })}
        />
        <PagePaper look={look} unit={unit} format={format} onShow={show} onKeep={keep} />
        <Backdrop look={look} onShow={show} onKeep={keep} />
      </PanelSection>
      <BookSection />
      <GuidesSection />
    </>
  );
});
