import { Box, Button, HStack, Text } from "@chakra-ui/react";
import { PenLine, SpellCheck, X } from "lucide-react";
import { memo, useState } from "react";
import { isFree, type PlacedTile, type Words } from "#core/document";
import { laidWords, seenFrame, wordsOf } from "#core/scene";
import { standInFont } from "#core/words";
import { panel as panelWords, words as say } from "../../../../text/index.ts";
import { Act, PanelSection, PanelTitle } from "../../../components/panel-parts.tsx";
import { Select } from "../../../components/select.tsx";
import { notices } from "../../../notices/notices.ts";
import { useServices } from "../../../services.ts";
import { becomeCaption } from "../../../state/edit/captions.ts";
import { emptyThem } from "../../../state/edit/page-gestures.ts";
import { runOn } from "../../../state/edit/stories.ts";
import { changeWords, fitWords, openToWrite, showWords, takeOff } from "../../../state/edit/word-gestures.ts";
import { useFacts } from "../../../state/session/facts.ts";
import { openPlaced, usePanel, useSession } from "../../../state/session/hooks.ts";
import { openPage } from "../../../state/session/project-session.ts";
import { ColourRow } from "./colour-row.tsx";
import { Copies, FreePlace } from "./free-place.tsx";
import { TitleWithLook } from "./look-in-hand.tsx";
import { PlainWords } from "./plain-words.tsx";
import { StoryPart } from "./story-part.tsx";
import { TileDress } from "./tile-dress.tsx";
import { TilePlace } from "./tile-place.tsx";
import { WordLook } from "./word-look.tsx";
import { WordParagraphs } from "./word-paragraphs.tsx";
import { WordPlaces } from "./word-places.tsx";
import { WordsFaint } from "./words-faint.tsx";
import { ContentsFollow, WordsFollow } from "./words-follow.tsx";

/** Words: what they say and how they look, the card under them, and where they lie. */
export const WordsPanel = memo(function WordsPanel({ tile }: { readonly tile: PlacedTile }) {
  const services = useServices();
  const session = useSession();
  const facts = useFacts();
  const page = usePanel(openPage);
  const { format } = usePanel(openPlaced);
  const words = tile.filling as Words;
  const font = services.fonts.font(words.style.font);
  const free = isFree(page, tile.id);
  const [spelling, setSpelling] = useState(false);
  const text = wordsOf(words, facts);
  const laid = laidWords(words, seenFrame(tile.frame, format), facts);
  const fitTo = (what: "box" | "words") => {
    if (!fitWords(session, tile.id, what, facts)) notices.create({ title: say.cannotFit[what], type: "info" });
  };
  const runStoryOn = () => {
    const there = runOn(services, session, tile.id);
    if (there) notices.create({ title: there.pageId === page.id ? say.ranOnHere : say.ranOnNext, type: "success" });
  };
  return (
    <>
      <TitleWithLook title={say.title} tileId={tile.id} />
      <PanelSection>
        {spelling ? (
          <PlainWords tileId={tile.id} />
        ) : (
          <Text fontSize="14.5px" lineClamp={3} color={text ? "fg" : "fg.subtle"} whiteSpace="pre-line" mb="3">
            {text || say.nothingYet}
          </Text>
        )}
        {laid && laid.hidden > 0 && (
          <Box mb="2">
            <Text role="status" fontSize="14px" color="saffron.700" mb="1">
              {say.hidden(laid.hidden)}. {say.hiddenWhy}
            </Text>
            <Button size="sm" variant="outline" me="2" onClick={() => fitTo("box")}>
              {say.growBox}
            </Button>
            <Button size="sm" variant="outline" onClick={() => fitTo("words")}>
              {say.shrinkWords}
            </Button>
            {!words.style.ink && !words.from && (
              <Button size="sm" variant="outline" mt="2" onClick={runStoryOn}>
                {say.runOn}
              </Button>
            )}
          </Box>
        )}
        {laid && laid.missing.length > 0 && (
          <Text role="status" fontSize="14px" color="clay.600" mb="2">
            {say.missing(laid.missing.slice(0, 8).join(" "))}
          </Text>
        )}
        {!font.here && (
          <Text role="status" fontSize="14px" color="clay.600" mb="2">
            {say.noFont(font.name, standInFont.name)}
          </Text>
        )}
        {laid && laid.borrowed.length > 0 && (
          <Text fontSize="14px" color="fg.muted" mb="2">
            {say.borrowed(laid.borrowed.slice(0, 8).join(" "))}
          </Text>
        )}
        <StoryPart tileId={tile.id} />
        <WordsFaint tileId={tile.id} />
        <HStack gap="2">
          <Button variant="outline" flex="1" onClick={() => openToWrite(services, tile.id)}>
            <PenLine size={17} aria-hidden /> {say.write}
          </Button>
          <Act icon={SpellCheck} name={say.spelling} pressed={spelling} onAct={() => setSpelling(!spelling)} />
        </HStack>
        {words.contents && <ContentsFollow tileId={tile.id} which={words.contents} empty={text === ""} />}
        {words.from && <WordsFollow tileId={tile.id} from={words.from} />}
        {!words.from && words.about !== undefined && text.trim() !== "" && facts.photo(words.about) && (
          <Button
            mt="2"
            w="full"
            size="sm"
            variant="ghost"
            onClick={() => void becomeCaption(services, session, tile.id, words.about!, text)}
          >
            {say.becomeCaption}
          </Button>
        )}
      </PanelSection>
      <WordPlaces tile={tile} />
      <WordLook ids={[tile.id]} words={words} />
      <WordParagraphs ids={[tile.id]} words={words} text={text} />
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
});

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
      <WordParagraphs ids={ids} words={tiles[0]!.filling as Words} text="" />
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
