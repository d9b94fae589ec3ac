import { Box, Button, HStack, Text, VStack } from "@chakra-ui/react";
import {
  AlignCenter,
  AlignJustify,
  AlignLeft,
  AlignRight,
  AlignVerticalJustifyCenter,
  AlignVerticalJustifyEnd,
  AlignVerticalJustifyStart,
  Bold,
  FlipHorizontal2,
  Italic,
  RotateCw,
  Underline,
} from "lucide-react";
import type { Words } from "#core/document";
import { largestPt, smallestPt, spanAt, type WordRole, type WordStyle, wordRoles } from "#core/words";
import { words as say } from "../../../../text/index.ts";
import { NumberField } from "../../../components/number-field.tsx";
import { Act, PanelSection } from "../../../components/panel-parts.tsx";
import { Select } from "../../../components/select.tsx";
import { useServices } from "../../../services.ts";
import {
  becomeKind,
  changeLetters,
  changeWords,
  showLetters,
  showWords,
  styleAll,
} from "../../../state/edit/word-gestures.ts";
import { useFacts } from "../../../state/session/facts.ts";
import { openPlaced, usePanel, useSession } from "../../../state/session/hooks.ts";
import { ColourRow } from "./colour-row.tsx";
import { FontMenu } from "./font-menu.tsx";
import { LengthRow } from "./length-row.tsx";
import { useMarked } from "./use-marked.ts";

const aligns = { left: AlignLeft, centre: AlignCenter, right: AlignRight, justified: AlignJustify } as const;
const verticals = {
  top: AlignVerticalJustifyStart,
  middle: AlignVerticalJustifyCenter,
  bottom: AlignVerticalJustifyEnd,
} as const;

/** How words look; what is set is set for all of these, or for the letters that are marked, and what is shown is that of the first. */
export function WordLook({ ids, words }: { readonly ids: readonly string[]; readonly words: Words }) {
  const { fonts } = useServices();
  const session = useSession();
  const { format } = usePanel(openPlaced);
  const unit = usePanel((s) => s.project.unit);
  const facts = useFacts();
  const marked = useMarked(ids);
  const { role } = words;
  const style: WordStyle = { ...words.style, ...(marked ? spanAt(words.spans, marked.from) : {}) };
  const family = fonts.font(style.font);
  const styled = (change: Partial<WordStyle>) => (now: Words) => ({ style: { ...now.style, ...change } });
  const set = (change: Partial<WordStyle>) => changeWords(session, ids, styled(change), undefined, undefined, facts);
  const letters = (change: Parameters<typeof changeLetters>[2]) => changeLetters(session, ids, change, marked, facts);
  return (
    <PanelSection>
      <VStack align="stretch" gap="3">
        {marked && (
          <Text fontSize="13.5px" color="fg.muted" role="status">
            {say.forMarked}
          </Text>
        )}
        <FontMenu label={say.font} font={style.font} onChoose={(font) => letters({ font })} />
        <HStack gap="2" align="end">
          <NumberField
            label={say.size}
            value={style.sizePt}
            least={smallestPt}
            most={largestPt}
            step={1}
            onNumber={(sizePt) => letters({ sizePt })}
          />
          <NumberField
            label={say.leading}
            value={style.leading}
            least={0.6}
            most={4}
            step={0.05}
            onNumber={(leading) => set({ leading })}
          />
        </HStack>
        <HStack gap="1">
          <Act
            grows
            icon={Bold}
            name={say.bold}
            pressed={style.bold}
            disabled={!family.bold}
            onAct={() => letters({ bold: !style.bold })}
          />
          <Act
            grows
            icon={Italic}
            name={say.italic}
            pressed={style.italic}
            disabled={!family.italic}
            onAct={() => letters({ italic: !style.italic })}
          />
          <Act
            grows
            icon={Underline}
            name={say.underline}
            pressed={style.underline === true}
            onAct={() => letters({ underline: !style.underline })}
          />
          <HStack gap="1" ms="2" role="group" aria-label={say.align}>
            {(["left", "centre", "right", "justified"] as const).map((align) => (
              <Act
                key={align}
                grows
                icon={aligns[align]}
                name={say.aligns[align]}
                pressed={style.align === align}
                onAct={() => set({ align })}
              />
            ))}
          </HStack>
        </HStack>
        <HStack gap="1" role="group" aria-label={say.vertical}>
          {(["top", "middle", "bottom"] as const).map((vertical) => (
            <Act
              key={vertical}
              grows
              icon={verticals[vertical]}
              name={say.verticals[vertical]}
              pressed={style.vertical === vertical}
              onAct={() => set({ vertical })}
            />
          ))}
          <Act
            grows
            icon={RotateCw}
            name={say.quarter}
            onAct={() => set({ turn: ((style.turn + 90) % 360) as WordStyle["turn"] })}
          />
          <Act
            grows
            icon={FlipHorizontal2}
            name={say.mirror}
            pressed={words.mirrored === true}
            onAct={() =>
              changeWords(session, ids, ({ mirrored }) => ({ mirrored: mirrored ? undefined : true }), "mirroredWords")
            }
          />
        </HStack>
        <ColourRow
          label={say.colour}
          colour={style.colour}
          onMove={(colour) => showLetters(session, ids, { colour }, marked, facts)}
          onEnd={(colour) => letters({ colour })}
        />
        <LengthRow
          label={say.inset}
          mm={style.insetMm}
          sliderMostMm={20}
          unit={unit}
          format={format}
          onMove={(insetMm) => showWords(session, ids, styled({ insetMm }))}
          onMm={(insetMm) => {
            set({ insetMm: Math.min(500, insetMm) });
            return undefined;
          }}
        />
        <HStack gap="2">
          <Box flex="1">
            <Select<WordRole>
              label={say.kindOfWords}
              value={role}
              options={wordRoles.map((r) => [r, say.roles[r]])}
              onChoose={(r) => becomeKind(session, ids, r, facts)}
            />
          </Box>
          <Button size="sm" variant="ghost" px="2" onClick={() => styleAll(session, role, words.style)}>
            {say.roleAll[role]}
          </Button>
        </HStack>
      </VStack>
    </PanelSection>
  );
}
