import { Box, Button, Heading, Text, VStack } from "@chakra-ui/react";
import { FileUp } from "lucide-react";
import { useRef } from "react";
import type { LabCard } from "#core/lab";
import { plainCard, readCardFile } from "#core/lab/schema";
import { labs as words } from "../../../text/index.ts";
import { notices } from "../../notices/notices.ts";
import { isOwnCard } from "./own-cards.ts";

interface LabListProps {
  readonly cards: readonly LabCard[];
  readonly open: LabCard | undefined;
  readonly newId: () => string;
  readonly onOpen: (card: LabCard) => void;
}

/** One's own cards, and what a new one can begin from. */
export function LabList({ cards, open: card, newId, onOpen: setCard }: LabListProps) {
  const chooser = useRef<HTMLInputElement>(null);
  const own = cards.filter(isOwnCard);
  const given = cards.filter((c) => !isOwnCard(c));

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
  );
}
