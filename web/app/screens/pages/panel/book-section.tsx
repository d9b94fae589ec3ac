import { Box, Button, Flex, HStack, Text, VStack } from "@chakra-ui/react";
import { Columns2, Gauge } from "lucide-react";
import { useState } from "react";
import { arrangedTiles, type Book, numberPlaces, openingOf, rulesOf } from "#core/document";
import { pace, book as words, words as wordWords, work } from "../../../../text/index.ts";
import { PaceDialog } from "../../../components/book/pace-dialog.tsx";
import { NumberField } from "../../../components/number-field.tsx";
import { PanelSection } from "../../../components/panel-parts.tsx";
import { Select } from "../../../components/select.tsx";
import { Toggle } from "../../../components/toggle.tsx";
import { useServices } from "../../../services.ts";
import { joinPages, markPage, matchFacing, showNumbers, splitSpread } from "../../../state/edit/page-list.ts";
import { useFontOptions } from "../../../state/own-fonts/font-options.ts";
import { usePageCountWords } from "../../../state/session/book-facts.ts";
import { usePanel, useSession } from "../../../state/session/hooks.ts";
import { openPage } from "../../../state/session/project-session.ts";
import { ColourRow } from "./colour-row.tsx";
import { DateLanguage } from "./date-language.tsx";

/** What a page of a book has more than another: its facing page, its number, and the book around it. */
export function BookSection() {
  const services = useServices();
  const session = useSession();
  const project = usePanel((s) => s.project);
  const page = usePanel(openPage);
  const count = usePageCountWords();
  const [pacing, setPacing] = useState(false);
  const rules = rulesOf(project);
  const fontOptions = useFontOptions(project.book?.numbers.style.font);
  if (!rules || !project.book) return null;
  const opening = openingOf(project, page.id);
  const begun = project.pages.some((p) => p.pieces.length > 0);
  const { numbers } = project.book;
  const change = (next: Partial<Book>) =>
    session.commit({ code: "changedBook", count: 1 }, [{ type: "setProject", book: { ...project.book!, ...next } }], {
      byProgram: true,
    });
  const number = (next: Partial<Book["numbers"]>) => change({ numbers: { ...numbers, ...next } });
  return (
    <>
      <PanelSection title={words.title}>
        <VStack align="stretch" gap="2">
          <Text fontSize="14px" mt="-2" color={count.fits ? "fg.muted" : "saffron.700"}>
            {count.words}
          </Text>
          <Flex wrap="wrap" gap="1.5">
            {begun && (
              <Button size="sm" variant="outline" onClick={() => setPacing(true)}>
                <Gauge size={16} aria-hidden /> {pace.openFromHere}
              </Button>
            )}
            {opening?.left && opening.right && (
              <Button size="sm" px="2" variant="outline" onClick={() => joinPages(services, session)}>
                {words.makeSpread}
              </Button>
            )}
            {opening?.left && opening.right && arrangedTiles(page).length > 0 && (
              <Button
                size="sm"
                px="2"
                variant="outline"
                title={words.matchMeans}
                onClick={() => matchFacing(services, session)}
              >
                {work.match}
              </Button>
            )}
            {page.span === 2 && (
              <Button size="sm" variant="outline" onClick={() => splitSpread(services, session)}>
                <Columns2 size={16} aria-hidden /> {words.splitSpread}
              </Button>
            )}
          </Flex>
          {arrangedTiles(page).length > 0 && (
            <Toggle label={words.stays} on={!page.paced} onTurn={(stays) => markPage(session, { paced: !stays })} />
          )}
          {page.pieces.length === 0 && (
            <Toggle label={words.keepBlank} on={page.blank} onTurn={(blank) => markPage(session, { blank })} />
          )}
        </VStack>
      </PanelSection>
      <PanelSection title={words.paperAndCover} folds="paper" folded>
        <VStack align="stretch" gap="3">
          <Select
            label={words.paper}
            value={project.book.paperId}
            options={rules.papers.map((p) => [p.id, p.name])}
            onChoose={(paperId) => change({ paperId })}
          />
          <Select
            label={words.cover}
            value={project.book.coverId}
            options={rules.covers.map((c) => [c.id, c.name])}
            onChoose={(coverId) => change({ coverId })}
          />
        </VStack>
      </PanelSection>
      <PanelSection title={words.numbers} folds="numbers" folded>
        <VStack align="stretch" gap="3">
          <Toggle label={words.numbersOn} on={numbers.shown} onTurn={(shown) => showNumbers(session, shown)} />
          {numbers.shown && (
            <HStack gap="2">
              <Select
                label={words.numberPlace}
                value={numbers.place}
                options={numberPlaces.map((p) => [p, words.numberPlaces[p]])}
                onChoose={(place) => number({ place })}
              />
              <Select
                label={words.running}
                value={numbers.running}
                options={(["nothing", "days", "name"] as const).map((r) => [r, words.runnings[r]])}
                onChoose={(running) => number({ running })}
              />
            </HStack>
          )}
          {numbers.shown && numbers.running === "days" && <DateLanguage />}
          {numbers.shown && (
            <HStack gap="2" align="end">
              <Box flex="1">
                <Select
                  label={words.numberFont}
                  value={numbers.style.font}
                  options={fontOptions}
                  onChoose={(font) => number({ style: { ...numbers.style, font } })}
                />
              </Box>
              <Box w="84px">
                <NumberField
                  label={wordWords.size}
                  value={numbers.style.sizePt}
                  least={5}
                  most={24}
                  step={0.5}
                  onNumber={(sizePt) => number({ style: { ...numbers.style, sizePt } })}
                />
              </Box>
            </HStack>
          )}
          {numbers.shown && (
            <ColourRow
              label={words.numberColour}
              colour={numbers.style.colour}
              onMove={() => {}}
              onEnd={(colour) => number({ style: { ...numbers.style, colour } })}
            />
          )}
          {numbers.shown && (
            <Toggle label={words.noNumber} on={page.plain} onTurn={(plain) => markPage(session, { plain })} />
          )}
        </VStack>
      </PanelSection>
      {pacing && <PaceDialog fromHere onClose={() => setPacing(false)} />}
    </>
  );
}
