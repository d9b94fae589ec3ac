import { Box, Heading, HStack } from "@chakra-ui/react";
import { useNavigate, useParams } from "react-router";
import { writing as say } from "../../../text/index.ts";
import { useLibraryUndoKeys, useUndoKeys } from "../../commands/history-keys.ts";
import { Segmented } from "../../components/segmented.tsx";
import { Captions } from "./captions.tsx";
import { FindWords } from "./find-words.tsx";
import { NamesAndDates } from "./names-and-dates.tsx";

const parts = ["captions", "find", "names"] as const;
type Part = (typeof parts)[number];

/** All that is written in a project: captions one after the other, what is to be found and replaced, names and dates. */
export function WordsScreen() {
  const { projectId, part: asked } = useParams();
  const navigate = useNavigate();
  const part = parts.find((p) => p === asked) ?? "captions";
  const Of = part === "captions" ? OfCaptions : part === "find" ? OfFind : OfNames;
  return (
    <Box h="full" display="flex" flexDirection="column" minH="0">
      <HStack px="8" pt="5" pb="3" gap="6" flexShrink="0">
        <Heading as="h1" fontSize="28px" fontWeight="520">
          {say.title}
        </Heading>
        <Segmented<Part>
          label={say.partsLabel}
          value={part}
          options={parts.map((p) => [p, say.parts[p]])}
          onChoose={(p) =>
            void navigate(`/work/${projectId}/words${p === "captions" ? "" : `/${p}`}`, { replace: true })
          }
        />
      </HStack>
      <Box flex="1" minH="0">
        <Of />
      </Box>
    </Box>
  );
}

/** Captions are undone among the photos, which they belong to. */
function OfCaptions() {
  useLibraryUndoKeys();
  return <Captions />;
}

function OfFind() {
  useUndoKeys();
  return <FindWords />;
}

function OfNames() {
  useUndoKeys();
  return <NamesAndDates />;
}
