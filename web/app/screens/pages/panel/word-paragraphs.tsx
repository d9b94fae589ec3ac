import { Box, Button, HStack, Text, VStack } from "@chakra-ui/react";
import { Subscript, Superscript } from "lucide-react";
import type { Words } from "#core/document";
import { type ListKind, listKinds, mostColumns, type SpanLook, spanAt, type WordStyle } from "#core/words";
import { words as say } from "../../../../text/index.ts";
import { Checkbox } from "../../../components/checkbox.tsx";
import { Beside } from "../../../components/field-label.tsx";
import { NumberField } from "../../../components/number-field.tsx";
import { Act, PanelSection } from "../../../components/panel-parts.tsx";
import { Select } from "../../../components/select.tsx";
import { notices } from "../../../notices/notices.ts";
import { useServices } from "../../../services.ts";
import {
  changeLetters,
  changeWords,
  fitWords,
  paragraphsAround,
  showLetters,
} from "../../../state/edit/word-gestures.ts";
import { useFacts } from "../../../state/session/facts.ts";
import { openPlaced, usePanel, useSession, useViewState } from "../../../state/session/hooks.ts";
import { ColourRow } from "./colour-row.tsx";
import { LengthRow } from "./length-row.tsx";
import { SliderRow } from "./slider-row.tsx";
import { useMarked } from "./use-marked.ts";

interface Part {
  readonly ids: readonly string[];
  readonly words: Words;
  readonly text: string;
}

const firstOutline = { colour: "#ffffff", widthMm: 0.6 };

/** How lines and paragraphs are set, and what is done to letters beside their font. */
export function WordParagraphs({ ids, words, text }: Part) {
  return (
    <>
      <Lines ids={ids} words={words} text={text} />
      <Letters ids={ids} words={words} text={text} />
    </>
  );
}

function Lines({ ids, words, text }: Part) {
  const session = useSession();
  const facts = useFacts();
  const { format } = usePanel(openPlaced);
  const unit = usePanel((s) => s.project.unit);
  const { viewState } = useServices();
  const begins = useViewState(({ writing, marked }) =>
    ids.length === 1 && writing === ids[0] && marked ? paragraphsAround(text, marked).from : 0,
  );
  const { style } = words;
  const set = (change: Partial<WordStyle>) =>
    changeWords(session, ids, (now) => ({ style: { ...now.style, ...change } }), undefined, undefined, facts);
  const on = (now: true | undefined) => (now ? undefined : true);
  /** Where somebody writes, only the paragraphs there. */
  const among = () => {
    const { writing, marked } = viewState.getState();
    return ids.length === 1 && writing === ids[0] && marked ? paragraphsAround(text, marked) : undefined;
  };
  return (
    <PanelSection title={say.paragraphs} folds="word-paragraphs" folded>
      <VStack align="stretch" gap="2">
        {ids.length === 1 && (
          <HStack gap="2">
            {(["words", "box"] as const).map((what) => (
              <Button
                key={what}
                size="sm"
                flex="1"
                variant="outline"
                onClick={() => {
                  if (!fitWords(session, ids[0]!, what, facts))
                    notices.create({ title: say.cannotFit[what], type: "info" });
                }}
              >
                {what === "box" ? say.fitBox : say.fitWords}
              </Button>
            ))}
          </HStack>
        )}
        <Checkbox label={say.whole} on={style.whole === true} onToggle={() => set({ whole: on(style.whole) })} />
        <Checkbox
          label={say.hyphens}
          on={style.hyphens === true}
          onToggle={() => set({ hyphens: on(style.hyphens) })}
        />
        <Checkbox
          label={say.hanging}
          on={style.hanging === true}
          onToggle={() => set({ hanging: on(style.hanging) })}
        />
        <Beside label={say.list}>
          <Select<ListKind | "none">
            label={say.list}
            value={spanAt(words.spans, begins).list ?? "none"}
            options={(["none", ...listKinds] as const).map((k) => [k, say.lists[k]])}
            onChoose={(kind) =>
              changeLetters(session, ids, { list: kind === "none" ? undefined : kind }, among(), facts)
            }
          />
        </Beside>
        <Beside label={say.columns}>
          <Select
            label={say.columns}
            value={String(style.columns ?? 1)}
            options={Array.from({ length: mostColumns }, (_, i) => [String(i + 1), String(i + 1)] as const)}
            onChoose={(n) => set({ columns: n === "1" ? undefined : Number(n) })}
          />
        </Beside>
        {style.columns && (
          <LengthRow
            label={say.columnGap}
            mm={style.columnGapMm ?? 5}
            sliderMostMm={20}
            unit={unit}
            format={format}
            onMove={() => {}}
            onMm={(mm) => {
              set({ columnGapMm: Math.min(200, mm) });
              return undefined;
            }}
          />
        )}
        <Beside label={say.paragraphGap}>
          <NumberField
            hideLabel
            label={say.paragraphGap}
            value={style.paragraphLines ?? 0}
            least={0}
            most={5}
            step={0.25}
            onNumber={(n) => set({ paragraphLines: n > 0 ? n : undefined })}
          />
        </Beside>
        <LengthRow
          label={say.firstLine}
          mm={style.firstLineMm ?? 0}
          sliderMostMm={20}
          unit={unit}
          format={format}
          onMove={() => {}}
          onMm={(mm) => {
            set({ firstLineMm: mm > 0 ? Math.min(500, mm) : undefined });
            return undefined;
          }}
        />
      </VStack>
    </PanelSection>
  );
}

function Letters({ ids, words }: Part) {
  const session = useSession();
  const facts = useFacts();
  const { format } = usePanel(openPlaced);
  const unit = usePanel((s) => s.project.unit);
  const marked = useMarked(ids);
  const { style } = words;
  const look: SpanLook = { ...style, ...spanAt(words.spans, marked?.from ?? 0) };
  const set = (change: Partial<WordStyle>) =>
    changeWords(session, ids, (now) => ({ style: { ...now.style, ...change } }), undefined, undefined, facts);
  const letters = (change: SpanLook) => changeLetters(session, ids, change, marked, facts);
  return (
    <PanelSection title={say.letters} folds="word-letters" folded>
      <VStack align="stretch" gap="2">
        <SliderRow
          label={say.tracking}
          least={-0.1}
          value={style.trackingEm ?? 0}
          most={0.6}
          step={0.01}
          says={say.ofSize(style.trackingEm ?? 0)}
          onMove={() => {}}
          onEnd={(em) => set({ trackingEm: Math.abs(em) < 0.005 ? undefined : em })}
        />
        <SliderRow
          label={say.bend}
          least={-360}
          value={style.bend ?? 0}
          most={360}
          step={5}
          says={say.degrees(style.bend ?? 0)}
          onMove={() => {}}
          onEnd={(bend) => set({ bend: bend === 0 ? undefined : bend })}
        />
        <Checkbox
          label={say.outline}
          on={style.outline !== undefined}
          onToggle={() => set({ outline: style.outline ? undefined : firstOutline })}
        />
        {style.outline && (
          <Box>
            <LengthRow
              label={say.outlineWidth}
              mm={style.outline.widthMm}
              sliderMostMm={4}
              unit={unit}
              format={format}
              onMove={() => {}}
              onMm={(widthMm) => {
                set({ outline: widthMm > 0 ? { ...style.outline!, widthMm: Math.min(20, widthMm) } : undefined });
                return undefined;
              }}
            />
            <ColourRow
              label={say.outlineColour}
              colour={style.outline.colour}
              onMove={() => {}}
              onEnd={(colour) => set({ outline: { ...style.outline!, colour } })}
            />
          </Box>
        )}
        <Checkbox
          label={say.highlight}
          on={look.highlight !== undefined}
          onToggle={() => letters({ highlight: look.highlight ? undefined : "#f3e2a0" })}
        />
        {look.highlight && (
          <ColourRow
            label={say.highlightColour}
            colour={look.highlight}
            onMove={(highlight) => showLetters(session, ids, { highlight }, marked, facts)}
            onEnd={(highlight) => letters({ highlight })}
          />
        )}
        {marked ? (
          <HStack gap="1" role="group" aria-label={say.raised}>
            <Act
              grows
              icon={Superscript}
              name={say.raisings.up}
              pressed={look.raised === "up"}
              onAct={() => letters({ raised: look.raised === "up" ? undefined : "up" })}
            />
            <Act
              grows
              icon={Subscript}
              name={say.raisings.down}
              pressed={look.raised === "down"}
              onAct={() => letters({ raised: look.raised === "down" ? undefined : "down" })}
            />
          </HStack>
        ) : (
          <Text fontSize="13.5px" color="fg.muted">
            {say.markSome}
          </Text>
        )}
      </VStack>
    </PanelSection>
  );
}
