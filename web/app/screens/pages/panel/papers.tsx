import { Box, chakra, Flex, Text } from "@chakra-ui/react";
import { words as say } from "../../../../text/index.ts";
import { PhotoThumb } from "../../../components/photo-thumb.tsx";
import { useLibrary } from "../../../state/session/hooks.ts";

interface PapersProps {
  readonly label: string;
  readonly chosen: string | undefined;
  readonly onTake: (paperId: string) => void;
}

/** The papers of the library, to lay one of them somewhere. Nothing where there are none. */
export function Papers({ label, chosen, onTake }: PapersProps) {
  const papers = useLibrary((s) => s.papers);
  if (papers.length === 0) return null;
  return (
    <Box role="group" aria-label={label} w="full">
      <Text fontSize="14px" fontWeight="500" color="fg.muted" mb="1.5">
        {label}
      </Text>
      <Flex gap="1.5" wrap="wrap" maxH="132px" overflowY="auto">
        {papers.map((p) => (
          <chakra.button
            key={p.id}
            type="button"
            aria-label={say.paper(p.name)}
            title={p.name}
            aria-pressed={p.id === chosen}
            onClick={() => onTake(p.id)}
            w="44px"
            h="36px"
            borderRadius="thumb"
            overflow="hidden"
            border="1px solid"
            borderColor="oat.400"
            boxShadow={p.id === chosen ? "0 0 0 2px {colors.glaze.500}" : undefined}
          >
            <PhotoThumb photoId={p.id} />
          </chakra.button>
        ))}
      </Flex>
    </Box>
  );
}
