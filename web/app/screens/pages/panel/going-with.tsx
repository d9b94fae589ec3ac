import { Box, chakra, HStack, IconButton, Popover, Portal, Text, VStack } from "@chakra-ui/react";
import { SwatchBook } from "lucide-react";
import { type ReactNode, useState } from "react";
import { newPaper, type Paper, type SeenColour } from "#core/artwork";
import { type Colour, nameOfColour } from "#core/colour";
import { papers as paperWords, goingWith as words } from "../../../../text/index.ts";
import { PaperSwatch } from "../../../components/paper-swatch.tsx";
import { useGoingWith } from "../../../state/session/going-with.ts";
import { useLibrary } from "../../../state/session/hooks.ts";

interface GoesWithProps {
  readonly onColour: (colour: Colour) => void;
  readonly onPaper: (paper: Paper) => void;
}

/** Colours and papers that go with the page, each with its reason in words. */
export function GoesWith({ onColour, onPaper }: GoesWithProps) {
  const [open, setOpen] = useState(false);
  return (
    <Popover.Root lazyMount unmountOnExit open={open} onOpenChange={(e) => setOpen(e.open)}>
      <Popover.Trigger asChild>
        <IconButton
          aria-label={words.title}
          title={words.title}
          size="xs"
          w="30px"
          h="30px"
          minW="30px"
          my="-5px"
          variant="outline"
          borderRadius="full"
        >
          <SwatchBook size={16} aria-hidden />
        </IconButton>
      </Popover.Trigger>
      <Portal>
        <Popover.Positioner>
          <Popover.Content w="320px" maxH="80vh" overflowY="auto" bg="oat.25" borderRadius="card" boxShadow="lifted">
            <Popover.Body p="4">
              <Found
                onColour={(c) => {
                  onColour(c);
                  setOpen(false);
                }}
                onPaper={(p) => {
                  onPaper(p);
                  setOpen(false);
                }}
              />
            </Popover.Body>
          </Popover.Content>
        </Popover.Positioner>
      </Portal>
    </Popover.Root>
  );
}

function Found({ onColour, onPaper }: GoesWithProps) {
  const found = useGoingWith(true);
  const byId = useLibrary((s) => s.byId);
  if (!found || found.grounds.length === 0)
    return (
      <Text fontSize="14px" color="fg.muted">
        {words.nothing}
      </Text>
    );
  const whereOf = (from: SeenColour): string => {
    const photo = byId.get(from.photoId);
    return words.where(photo?.caption || photo?.name || "", found.pageOf(from.photoId));
  };
  return (
    <VStack align="stretch" gap="1">
      <Text fontSize="14px" fontWeight="600">
        {words.colours}
      </Text>
      {found.grounds.map((g) => (
        <Choice
          key={g.reason}
          label={words.ofGround(g.reason, words.colourName(nameOfColour(g.from.colour)), whereOf(g.from))}
          picture={
            <Box
              w="44px"
              h="32px"
              borderRadius="thumb"
              boxShadow="inset 0 0 0 1px {colors.oat.400}"
              style={{ background: g.colour }}
            />
          }
          onTake={() => onColour(g.colour)}
        />
      ))}
      <Text fontSize="14px" fontWeight="600" mt="2">
        {words.papers}
      </Text>
      <Text fontSize="13.5px" color="fg.muted">
        {words.papersWhy}
      </Text>
      {found.papers.map((p) => {
        const paper: Paper = { ...newPaper(p.design, p.colours), ownColours: true };
        return (
          <Choice
            key={p.design}
            label={words.ofPaper(
              paperWords.nameOf(p.design),
              words.colourName(nameOfColour(p.from.colour)),
              whereOf(p.from),
            )}
            picture={
              <Box borderRadius="thumb" overflow="hidden">
                <PaperSwatch paper={paper} width={44} height={32} acrossMm={30} />
              </Box>
            }
            onTake={() => onPaper(paper)}
          />
        );
      })}
    </VStack>
  );
}

interface ChoiceProps {
  readonly label: string;
  readonly picture: ReactNode;
  readonly onTake: () => void;
}

const Choice = ({ label, picture, onTake }: ChoiceProps) => (
  <chakra.button type="button" textAlign="left" borderRadius="soft" p="1" _hover={{ bg: "oat.200" }} onClick={onTake}>
    <HStack gap="3">
      <Box flexShrink="0">{picture}</Box>
      <Text fontSize="13.5px" lineHeight="1.3">
        {label}
      </Text>
    </HStack>
  </chakra.button>
);
