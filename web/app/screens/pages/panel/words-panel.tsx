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
  PenLine,
  RotateCw,
  X,
} from "lucide-react";
import { isFree, type PlacedTile, type Words } from "#core/document";
import { laidWords, seenFrame, wordsOf } from "#core/scene";
import { familyOf, fontFamilies, largestPt, smallestPt, type WordStyle } from "#core/words";
import { panel as panelWords, words as say } from "../../../../text/index.ts";
import { NumberField } from "../../../components/number-field.tsx";
import { Act, PanelSection, PanelTitle } from "../../../components/panel-parts.tsx";
import { Select } from "../../../components/select.tsx";
import { useServices } from "../../../services.ts";
import { emptyThem } from "../../../state/edit/page-gestures.ts";
import { changeWords, openToWrite, showWords, styleAll, takeOff } from "../../../state/edit/word-gestures.ts";
import { useFacts } from "../../../state/session/facts.ts";
import { openPlaced, usePanel, useSession } from "../../../state/session/hooks.ts";
import { openPage } from "../../../state/session/project-session.ts";
import { ColourRow } from "./colour-row.tsx";
import { Copies, FreePlace } from "./free-place.tsx";
import { LengthRow } from "./length-row.tsx";
import { TitleWithLook } from "./look-in-hand.tsx";
import { TileDress } from "./tile-dress.tsx";
import { TilePlace } from "./tile-place.tsx";
import { WordsFaint } from "./words-faint.tsx";
import { WordsFollow } from "./words-follow.tsx";

/** Words: what they say and how they look, the card under them, and where they lie. */
export function WordsPanel({ tile }: { readonly tile: PlacedTile }) {
  const services = useServices();
  const session = useSession();
  const facts = useFacts();
  const page = usePanel(openPage);
  const { format } = usePanel(openPlaced);
  const words = tile.filling as Words;
  const free = isFree(page, tile.id);
  const text = wordsOf(words, facts);
  const laid = facts.setter && laidWords(text, words.style, seenFrame(tile.frame, format), facts.setter);
  return (
    <>
      <TitleWithLook title={say.title} tileId={tile.id} />
      <PanelSection>
        <Text fontSize="14.5px" lineClamp={3} color={text ? "fg" : "fg.subtle"} whiteSpace="pre-line" mb="3">
          {text || say.nothingYet}
        </Text>
        {laid && laid.hidden > 0 && (
          <Text role="status" fontSize="14px" color="saffron.700" mb="2">
            {say.hidden(laid.hidden)}. {say.hiddenWhy}
          </Text>
        )}
        {laid && laid.missing.length > 0 && (
          <Text role="status" fontSize="14px" color="clay.600" mb="2">
            {say.missing(laid.missing.slice(0, 8).join(" "))}
          </Text>
        )}
        <WordsFaint tileId={tile.id} />
        <Button variant="outline" w="full" onClick={() => openToWrite(services, tile.id)}>
          <PenLine size={17} aria-hidden /> {say.write}
        </Button>
        {words.from && <WordsFollow tileId={tile.id} from={words.from} />}
      </PanelSection>
      <WordLook ids={[tile.id]} words={words} />
      <Card tile={tile} words={words} />
      {free ? <FreePlace tiles={[tile]} /> : <TilePlace tile={tile} />}
      <TileDress tiles={[tile]} />
      {free && <Copies tile={tile} />}
      <PanelSection>
        {free ? (
          <Button variant="ghost" w="full" onClick={() => takeOff(services, session, [tile.id])}>
            <X size={17} aria-hidden /> {say.remove}
          </Button>
        ) : (
          <Button variant="ghost" w="full" onClick={() => emptyThem(session, [tile.id])}>
            {panelWords.empty}
          </Button>
        )}
      </PanelSection>
    </>
  );
}

/** Words in several tiles: what they have in common is how they look. */
export function SeveralWords({ tiles }: { readonly tiles: readonly PlacedTile[] }) {
  const services = useServices();
  const session = useSession();
  const page = usePanel(openPage);
  const ids = tiles.map((t) => t.id);
  return (
    <>
      <PanelTitle>{say.several(tiles.length)}</PanelTitle>
      <WordLook ids={ids} words={tiles[0]!.filling as Words} />
      {ids.every((id) => isFree(page, id)) && <FreePlace tiles={tiles} />}
      <TileDress tiles={tiles} />
      <PanelSection>
        <Button
          variant="ghost"
          w="full"
          onClick={() =>
            ids.every((id) => isFree(page, id)) ? takeOff(services, session, ids) : emptyThem(session, ids)
          }
        >
          <X size={17} aria-hidden /> {say.remove}
        </Button>
      </PanelSection>
    </>
  );
}

/** How words look; what is set is set for all of these, and what is shown is that of the first. */
function WordLook({ ids, words }: { readonly ids: readonly string[]; readonly words: Words }) {
  const session = useSession();
  const { format } = usePanel(openPlaced);
  const unit = usePanel((s) => s.project.unit);
  const facts = useFacts();
  const { style, role } = words;
  const family = familyOf(style.font);
  const styled = (change: Partial<WordStyle>) => (now: Words) => ({ style: { ...now.style, ...change } });
  const set = (change: Partial<WordStyle>) => changeWords(session, ids, styled(change), undefined, undefined, facts);
  const show = (change: Partial<WordStyle>) => showWords(session, ids, styled(change));
  const aligns = { left: AlignLeft, centre: AlignCenter, right: AlignRight, justified: AlignJustify } as const;
  const verticals = {
    top: AlignVerticalJustifyStart,
    middle: AlignVerticalJustifyCenter,
    bottom: AlignVerticalJustifyEnd,
  } as const;
  return (
    <PanelSection>
      <VStack align="stretch" gap="3">
        <Select
          label={say.font}
          value={style.font}
          options={fontFamilies.map((f) => [f.id, `${f.name}, ${say.kinds[f.kind]}`])}
          onChoose={(font) => set({ font })}
        />
        <HStack gap="2" align="end">
          <NumberField
            label={say.size}
            value={style.sizePt}
            least={smallestPt}
            most={largestPt}
            step={1}
            onNumber={(sizePt) => set({ sizePt })}
          />
          <NumberField
            label={say.leading}
            value={style.leading}
            least={0.6}
            most={4}
            step={0.05}
            onNumber={(leading) => set({ leading })}
          />
          <HStack gap="1">
            <Act
              icon={Bold}
              name={say.bold}
              pressed={style.bold}
              disabled={!family?.bold}
              onAct={() => set({ bold: !style.bold })}
            />
            <Act
              icon={Italic}
              name={say.italic}
              pressed={style.italic}
              disabled={!family?.italic}
              onAct={() => set({ italic: !style.italic })}
            />
          </HStack>
        </HStack>
        <HStack gap="1" role="group" aria-label={say.align}>
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
          onMove={(colour) => show({ colour })}
          onEnd={(colour) => set({ colour })}
        />
        <LengthRow
          label={say.inset}
          mm={style.insetMm}
          sliderMostMm={20}
          unit={unit}
          format={format}
          onMove={(insetMm) => show({ insetMm })}
          onMm={(insetMm) => {
            set({ insetMm: Math.min(500, insetMm) });
            return undefined;
          }}
        />
        <Button size="sm" variant="ghost" onClick={() => styleAll(session, role, style)}>
          {say.roleAll[role]}
        </Button>
      </VStack>
    </PanelSection>
  );
}

const firstCard = { ground: "#f6f1e7", lines: "ruled", ink: "#c9c0ae" } as const;

/** A journaling card under the words, plain or lined for a pen. */
function Card({ tile, words }: { readonly tile: PlacedTile; readonly words: Words }) {
  const session = useSession();
  const { card } = words;
  const put = (next: Partial<NonNullable<Words["card"]>> | null) =>
    changeWords(session, tile.id, (now) => ({ card: next && { ...(now.card ?? firstCard), ...next } }), "laidCard");
  const show = (next: Partial<NonNullable<Words["card"]>>) =>
    showWords(session, tile.id, (now) => ({ card: { ...(now.card ?? firstCard), ...next } }));
  return (
    <PanelSection title={say.card}>
      <Select
        label={say.card}
        value={card?.lines ?? "off"}
        options={(["off", "none", "ruled", "squared"] as const).map((k) => [k, say.cards[k]])}
        onChoose={(k) => put(k === "off" ? null : { lines: k })}
      />
      {card && (
        <Box mt="3">
          <ColourRow
            label={say.cardColour}
            colour={card.ground}
            onMove={(ground) => show({ ground })}
            onEnd={(ground) => put({ ground })}
          />
          {card.lines !== "none" && (
            <ColourRow
              label={say.inkColour}
              colour={card.ink}
              onMove={(ink) => show({ ink })}
              onEnd={(ink) => put({ ink })}
            />
          )}
        </Box>
      )}
    </PanelSection>
  );
}
