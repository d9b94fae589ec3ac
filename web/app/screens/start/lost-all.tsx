import { Box, Button, Heading, HStack, Text } from "@chakra-ui/react";
import { useState } from "react";
import type { Mark } from "../../../storage/marks.ts";
import { formats, lostAll as words } from "../../../text/index.ts";
import { OpenFile } from "../../components/project/open-file.tsx";
import { BringBackButtons } from "../../components/safe-folder.tsx";
import { startAfresh, useServices } from "../../services.ts";

/** There was something here once, and now there is nothing: what may bring it back. */
export function LostAll({ mark }: { readonly mark: Mark }) {
  const { keeping } = useServices();
  const [over, setOver] = useState(false);
  if (over) return null;
  return (
    <Box role="alert" bg="saffron.100" borderWidth="1px" borderColor="saffron.400" borderRadius="card" p="7" mb="9">
      <Heading as="h2" fontSize="25px" fontWeight="520" mb="2">
        {words.title(mark.works, mark.photos)}
      </Heading>
      <Text maxW="720px" mb="1">
        {words.body(formats.dayHere(mark.at))}
      </Text>
      <Text maxW="720px" mb="5" fontWeight="500">
        {words.hope}
      </Text>
      <HStack gap="3" align="center">
        {keeping && <BringBackButtons keeping={keeping} />}
        <OpenFile />
        <Button
          variant="ghost"
          onClick={() => {
            startAfresh();
            setOver(true);
          }}
        >
          {words.afresh}
        </Button>
      </HStack>
    </Box>
  );
}
