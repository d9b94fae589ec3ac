import { Button, Heading, Text, VStack } from "@chakra-ui/react";
import { readMark } from "../../storage/marks.ts";
import type { StoreTrouble } from "../../storage/store.ts";
import { common, formats, cannotOpen as words } from "../../text/index.ts";

type Told = keyof typeof words.titles;
const told: readonly string[] = Object.keys(words.titles);

/** In place of everything, where what is kept cannot be opened: nothing begins as if it were new. */
export function CannotOpen({ code }: { readonly code: StoreTrouble }) {
  const which = (told.includes(code) ? code : "other") as Told;
  const mark = readMark();
  return (
    <VStack as="main" h="full" bg="bg" justify="center" gap="4" textAlign="center" p="8" role="alert">
      <img src="/mark.svg" alt="" width={44} height={44} />
      <Heading as="h1" fontSize="30px" fontWeight="520">
        {words.titles[which]}
      </Heading>
      <Text maxW="540px" fontSize="17px" color="fg.muted" textWrap="pretty">
        {words.bodies[which]}
      </Text>
      {mark && <Text color="fg.subtle">{words.wasHere(mark.works, mark.photos, formats.dayHere(mark.at))}</Text>}
      <Button size="lg" mt="2" onClick={() => location.reload()}>
        {common.tryAgain}
      </Button>
    </VStack>
  );
}
