import { Box, Button, Flex, Grid, Heading, Text, VStack } from "@chakra-ui/react";
import { useQueryClient } from "@tanstack/react-query";
import { FileDown, FileUp, Trash2 } from "lucide-react";
import { useRef, useState } from "react";
import type { LabCard } from "#core/lab";
import { cardIssues, cardText, plainCard, readCardFile } from "#core/lab/schema";
import { fileTitle } from "../../../text/in-latin.ts";
import { cardTrouble, common, labs as words } from "../../../text/index.ts";
import { notices } from "../../notices/notices.ts";
import { useServices } from "../../services.ts";
import { saveToDisk } from "../../state/sending/save-to-disk.ts";
import { dropLab, keepLab, useLabs } from "../../state/sending/use-labs.ts";
import { LabDrawing } from "./lab-drawing.tsx";
import { LabForm } from "./lab-form.tsx";

const ownMark = "own-";

/** Cards of labs that are not handed out: typed from what the lab says of itself, with a drawing that follows. */
export function LabsScreen() {
  const services = useServices();
  const queries = useQueryClient();
  const known = useLabs();
  const [card, setCard] = useState<LabCard>();
  const chooser = useRef<HTMLInputElement>(null);
  const own = (known.data ?? []).filter((c) => c.id.startsWith(ownMark));
  const given = (known.data ?? []).filter((c) => !c.id.startsWith(ownMark));
  const newId = () =>
    `${ownMark}${services
      .newId()
      .toLowerCase()
      .replace(/[^a-z0-9]/g, "")}`;
  const issues = card ? cardIssues(card) : [];
  const isKept = card !== undefined && own.some((c) => c.id === card.id);

  const bringIn = async (file: File | undefined) => {
    if (!file) return;
    const read = readCardFile(await file.text());
    if (read.ok) setCard({ ...read.value, id: newId() });
    else
      notices.create({
        title:
          read.code === "notACard" ? words.fileTrouble.notACard(String(read.facts.path)) : words.fileTrouble[read.code],
        type: "error",
      });
  };

  return (
    <Grid h="full" templateColumns="264px minmax(0, 1fr) 380px" minH="0">
      <Box overflowY="auto" px="6" py="7" borderRightWidth="1px" borderColor="oat.300">
        <Heading as="h1" fontSize="30px" fontWeight="520" mb="2">
          {words.title}
        </Heading>
        <Text color="fg.muted" fontSize="14.5px" mb="5">
          {words.lead}
        </Text>
        <Heading as="h2" fontFamily="body" fontSize="15px" fontWeight="600" mb="2">
          {words.own}
        </Heading>
        {own.length === 0 && (
          <Text fontSize="14px" color="fg.subtle" mb="3">
            {words.noneYet}
          </Text>
        )}
        <VStack align="stretch" gap="1" mb="4">
          {own.map((c) => (
            <Button
              key={c.id}
              variant={c.id === card?.id ? "subtle" : "ghost"}
              size="sm"
              justifyContent="start"
              onClick={() => setCard(c)}
            >
              {c.name}
            </Button>
          ))}
        </VStack>
        <VStack align="stretch" gap="2">
          <Button
            size="sm"
            variant={card ? "outline" : "solid"}
            onClick={() => setCard(plainCard(newId(), words.newName))}
          >
            {words.begin}
          </Button>
          <Button size="sm" variant="outline" onClick={() => chooser.current?.click()}>
            <FileUp size={16} aria-hidden /> {words.bringIn}
          </Button>
          <input
            ref={chooser}
            type="file"
            accept=".json,application/json"
            hidden
            aria-label={words.bringIn}
            onChange={(e) => {
              void bringIn(e.target.files?.[0]);
              e.target.value = "";
            }}
          />
        </VStack>
        <VStack align="stretch" gap="0.5" mt="6">
          {given.map((c) => (
            <Button
              key={c.id}
              variant="ghost"
              size="sm"
              justifyContent="start"
              fontWeight="500"
              onClick={() => setCard({ ...c, id: newId(), name: words.copyOf(c.name).slice(0, 60) })}
            >
              {words.beginFrom(c.name)}
            </Button>
          ))}
        </VStack>
      </Box>
      <Box overflowY="auto" px="8" py="7" minW="0">
        {card && <LabForm key={card.id} card={card} onCard={setCard} />}
      </Box>
      <Flex
        direction="column"
        bg="bg.panel"
        borderLeftWidth="1px"
        borderColor="oat.300"
        px="7"
        py="7"
        minH="0"
        overflowY="auto"
      >
        {card && (
          <>
            <LabDrawing card={card} />
            {issues.length > 0 && (
              <Box role="alert" mt="5" bg="saffron.100" color="saffron.700" borderRadius="soft" px="4" py="3">
                <Text fontWeight="600">{words.wrong}</Text>
                {[...new Set(issues.map(cardTrouble))].slice(0, 5).map((line) => (
                  <Text key={line} fontSize="14px" mt="1">
                    {line}
                  </Text>
                ))}
              </Box>
            )}
            <VStack align="stretch" gap="2" mt="6">
              <Button
                size="lg"
                disabled={issues.length > 0}
                onClick={async () => {
                  await keepLab(services.store, queries, card);
                  notices.create({ title: words.kept(card.name), type: "success" });
                }}
              >
                {words.keep}
              </Button>
              <Button
                variant="outline"
                disabled={issues.length > 0}
                onClick={() =>
                  saveToDisk(
                    new Blob([cardText(card)], { type: "application/json" }),
                    `${fileTitle(card.name)}.lab.json`,
                  )
                }
              >
                <FileDown size={17} aria-hidden /> {words.save}
              </Button>
              {isKept && (
                <Button
                  variant="ghost"
                  onClick={async () => {
                    await dropLab(services.store, queries, card.id);
                    setCard(undefined);
                    notices.create({
                      title: words.dropped(card.name),
                      type: "info",
                      action: { label: common.undoIt, onClick: () => void keepLab(services.store, queries, card) },
                    });
                  }}
                >
                  <Trash2 size={17} aria-hidden /> {words.drop}
                </Button>
              )}
            </VStack>
          </>
        )}
      </Flex>
    </Grid>
  );
}
