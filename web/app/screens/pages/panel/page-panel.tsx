import { Box, chakra, Flex, HStack, Text, VisuallyHidden } from "@chakra-ui/react";
import { memo } from "react";
import { arrangementOf, holdsAnything, holdsPockets, type Look, lookChange, type StepCode } from "#core/document";
import { formatLength, formatSize, type Unit, units } from "#core/units";
import { changeTrouble, style, panel as words } from "../../../../text/index.ts";
import { PanelTitle } from "../../../components/panel-parts.tsx";
import { Segmented } from "../../../components/segmented.tsx";
import { Select } from "../../../components/select.tsx";
import { useServices } from "../../../services.ts";
import { openPlaced, usePanel, useSession, useViewState } from "../../../state/session/hooks.ts";
import { ArrangementSection } from "./arrangement-section.tsx";
import { Backdrop } from "./backdrop.tsx";
import { BalanceSection } from "./balance-section.tsx";
import { BookSection } from "./book-section.tsx";
import { GuidesSection } from "./guides-section.tsx";
import { LookSections } from "./look-sections.tsx";
import { PageActs } from "./page-acts.tsx";
import { KeepAsPockets, PocketsSection } from "./pockets-section.tsx";
import { ScatterSection } from "./scatter-section.tsx";
import { WorkLook } from "./work-look.tsx";

/** The page as a whole: its grid, its gaps, its colours. */
export const PagePanel = memo(function PagePanel() {
  const session = useSession();
  // As it is kept: what a hand is doing at the moment is followed by those parts alone that show it.
  const page = usePanel(openPlaced);
  const { format, style: workStyle } = page;
  const unit = usePanel((s) => s.project.unit);
  const lab = usePanel((s) => s.project.lab);
  const kind = usePanel((s) => s.project.kind);
  const length = (mm: number) => formatLength(mm, unit, format.ppi);
  const { look } = page;
  const ofWork = useViewState((s) => s.lookOf === "work");
  const inPockets = holdsPockets(page.page);
  const arrangement = arrangementOf(page.page);

  const show = (next: Look) => session.preview([lookChange(page.page, next, workStyle)]);
  const keep = (code: StepCode, next: Look): string | undefined => {
    const kept = session.commit({ code, count: 1 }, [lookChange(page.page, next, workStyle)]);
    return kept.ok ? undefined : changeTrouble(kept, length);
  };
  // What lies on the page is what a slider changes; the look it starts from is the one that is kept.
  const kept = () => openPlaced(session.state.getState()).look;

  if (ofWork && kind !== "prints")
    return (
      <>
        <WhoseLook title={style.title} />
        <WorkLook />
      </>
    );
  return (
    <>
      <Flex justify="space-between" align="start">
        {kind === "prints" ? <PanelTitle>{words.print}</PanelTitle> : <WhoseLook title={words.page} />}
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
      <LookSections
        look={look}
        kept={kept}
        onShow={show}
        onKeep={keep}
        noGaps={inPockets || (page.page.scatter !== undefined && !arrangement)}
        folded={kind === "book"}
        of={page.id}
        unit={unit}
        format={format}
      >
        <Backdrop look={look} onShow={show} onKeep={keep} />
      </LookSections>
      {holdsAnything(page.page, workStyle) && <BalanceSection />}
      <BookSection />
      <GuidesSection />
    </>
  );
});

/** The panel's title, and the way between the look of the open page and that of all of them. */
function WhoseLook({ title }: { readonly title: string }) {
  const { viewState } = useServices();
  const of = useViewState((s) => s.lookOf);
  return (
    <Box mb="3">
      <VisuallyHidden as="h2">{title}</VisuallyHidden>
      <Segmented
        label={style.of}
        value={of}
        options={[
          ["page", style.ofs.page],
          ["work", style.ofs.work],
        ]}
        tight
        onChoose={(lookOf) => viewState.setState({ lookOf })}
      />
    </Box>
  );
}
