import { Box, Button, Grid, Heading, HStack, Text } from "@chakra-ui/react";
import { useMemo, useState } from "react";
import { type Alike, alikeNames, datesIn, type Named, namesIn } from "#core/words";
import { writing as say } from "../../../text/index.ts";
import { notices } from "../../notices/notices.ts";
import { useServices } from "../../services.ts";
import { replaceWords } from "../../state/edit/written.ts";
import { useProject, useSession } from "../../state/session/hooks.ts";
import { MentionList } from "./mention-list.tsx";
import { useWritten } from "./use-written.ts";
import css from "./words-screen.module.css";

/** All names and dates of the project, and those that may be two spellings of one. */
export function NamesAndDates() {
  const services = useServices();
  const session = useSession();
  const written = useWritten();
  const language = useProject((s) => s.project.language);
  const { names, dates, alike } = useMemo(() => {
    const texts = written.map((w) => w.text);
    const found = namesIn(texts, language);
    return { names: found, dates: datesIn(texts, language), alike: alikeNames(found) };
  }, [written, language]);
  const [shown, setShown] = useState<string>();
  const open = [...names, ...dates].find((n) => n.name === shown);
  const unify = async (right: Named, wrong: Named) => {
    const count = await replaceWords(services, session, written, wrong.mentions, right.name);
    if (count > 0) notices.create({ title: say.replaced(count), type: "success" });
  };
  return (
    <Grid h="full" templateColumns="minmax(0, 1fr) minmax(0, 1.3fr)" gap="8" px="8" pb="8" minH="0">
      <Box overflowY="auto" minH="0">
        <Heading as="h2" fontSize="18px" fontWeight="540" mb="1">
          {say.names}
        </Heading>
        <Text fontSize="14px" color="fg.muted" mb="2">
          {names.length > 0 ? say.namesLead : say.noNames}
        </Text>
        <Chips all={names} shown={shown} onShow={setShown} />
        <Heading as="h2" fontSize="18px" fontWeight="540" mt="6" mb="2">
          {say.dates}
        </Heading>
        {dates.length === 0 && (
          <Text fontSize="14px" color="fg.muted">
            {say.noDates}
          </Text>
        )}
        <Chips all={dates} shown={shown} onShow={setShown} />
      </Box>
      <Box overflowY="auto" minH="0">
        {open ? (
          <>
            <Heading as="h2" fontSize="18px" fontWeight="540" mb="2">
              {say.looked(open.name)}
            </Heading>
            <MentionList label={say.looked(open.name)} written={written} mentions={open.mentions} />
          </>
        ) : null}
        <Heading as="h2" fontSize="18px" fontWeight="540" mt={open ? "6" : "0"} mb="1">
          {say.alike}
        </Heading>
        <Text fontSize="14px" color="fg.muted" mb="2">
          {alike.length > 0 ? say.alikeLead : say.noAlike}
        </Text>
        {alike.map((pair) => (
          <Pair key={`${pair.a.name} ${pair.b.name}`} pair={pair} onWrite={unify} onShow={setShown} />
        ))}
      </Box>
    </Grid>
  );
}

interface ChipsProps {
  readonly all: readonly Named[];
  readonly shown: string | undefined;
  readonly onShow: (name: string) => void;
}

const Chips = ({ all, shown, onShow }: ChipsProps) => (
  <div className={css.chips}>
    {all.map(({ name, mentions }) => (
      <button key={name} type="button" className={css.chip} aria-pressed={name === shown} onClick={() => onShow(name)}>
        {name} <span>{say.times(mentions.length)}</span>
      </button>
    ))}
  </div>
);

interface PairProps {
  readonly pair: Alike;
  readonly onWrite: (right: Named, wrong: Named) => void;
  readonly onShow: (name: string) => void;
}

const Pair = ({ pair: { a, b }, onWrite, onShow }: PairProps) => (
  <HStack gap="3" py="2" borderTopWidth="1px" borderColor="oat.200" flexWrap="wrap">
    {[a, b].map((n) => (
      <button key={n.name} type="button" className={css.chip} onClick={() => onShow(n.name)}>
        {n.name} <span>{say.times(n.mentions.length)}</span>
      </button>
    ))}
    <Button size="sm" variant="outline" ms="auto" onClick={() => onWrite(a, b)}>
      {say.writeAs(a.name)}
    </Button>
    <Button size="sm" variant="outline" onClick={() => onWrite(b, a)}>
      {say.writeAs(b.name)}
    </Button>
  </HStack>
);
