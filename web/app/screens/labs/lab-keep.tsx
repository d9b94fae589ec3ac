import { Box, Button, Flex, Text, VStack } from "@chakra-ui/react";
import { useQueryClient } from "@tanstack/react-query";
import { FileDown, Trash2 } from "lucide-react";
import type { LabCard } from "#core/lab";
import { cardIssues, cardText } from "#core/lab/schema";
import { fileTitle } from "../../../text/in-latin.ts";
import { cardTrouble, common, labs as words } from "../../../text/index.ts";
import { notices } from "../../notices/notices.ts";
import { useServices } from "../../services.ts";
import { saveToDisk } from "../../state/sending/save-to-disk.ts";
import { dropLab, keepLab } from "../../state/sending/use-labs.ts";
import { LabDrawing } from "./lab-drawing.tsx";

interface LabKeepProps {
  readonly card: LabCard | undefined;
  readonly isKept: boolean;
  readonly onDropped: () => void;
}

/** The open card as a drawing, what is wrong with it, and ways to keep it. */
export function LabKeep({ card, isKept, onDropped }: LabKeepProps) {
  const services = useServices();
  const queries = useQueryClient();
  const issues = card ? cardIssues(card) : [];
  return (
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
                saveToDisk(new Blob([cardText(card)], { type: "application/json" }), `${fileTitle(card.name)}.lab.json`)
              }
            >
              <FileDown size={17} aria-hidden /> {words.save}
            </Button>
            {isKept && (
              <Button
                variant="ghost"
                onClick={async () => {
                  await dropLab(services.store, queries, card.id);
                  onDropped();
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
  );
}
