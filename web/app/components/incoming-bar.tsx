import { Box, Button, HStack, List, Text } from "@chakra-ui/react";
import { TriangleAlert } from "lucide-react";
import { leftOutReason, timeLeft, photos as words } from "../../text/index.ts";
import { useServices } from "../services.ts";
import type { Incoming } from "../state/library/library-state.ts";
import { useLibrary } from "../state/session/hooks.ts";
import { ProgressBar } from "./progress-bar.tsx";

/** How far the bringing-in is, and what could not come in and why. Nothing when there is nothing to say. */
export function IncomingBar() {
  const { library } = useServices();
  const incoming = useLibrary((s) => s.incoming);
  const leftOut = useLibrary((s) => s.leftOut);
  const alreadyHere = useLibrary((s) => s.alreadyHere);
  const damaged = useLibrary((s) => s.damaged);
  const cleaned = useLibrary((s) => s.cleaned);
  const said = leftOut.length + cleaned.length + alreadyHere;
  if (!incoming && said === 0 && damaged === 0) return null;
  return (
    <Box
      bg="oat.50"
      borderBottomWidth="1px"
      borderColor="oat.300"
      position="relative"
      px="6"
      py="2.5"
      data-testid="incoming"
    >
      {incoming && (
        <HStack gap="4">
          <Text role="status" fontWeight="500" minW="190px" fontVariantNumeric="tabular-nums">
            {words.bringing(incoming.done, incoming.total)}
          </Text>
          <Text fontSize="14px" color="fg.subtle" minW="120px">
            {leftWords(incoming)}
          </Text>
          <Box flex="1">
            <ProgressBar
              label={words.bringing(incoming.done, incoming.total)}
              value={incoming.done}
              max={incoming.total}
            />
          </Box>
          <Button size="sm" variant="outline" onClick={() => library.cancel()}>
            {words.stop}
          </Button>
        </HStack>
      )}
      {!incoming && alreadyHere > 0 && <Text role="status">{words.alreadyHere(alreadyHere)}</Text>}
      {damaged > 0 && <Text color="clay.600">{words.damaged(damaged)}</Text>}
      {cleaned.map((c) => (
        <Text key={c.name} role="status">
          {words.cleaned(c.name, c.takenOut)}
        </Text>
      ))}
      {leftOut.length > 0 && (
        <HStack align="start" gap="3" mt={incoming ? "2" : "0"} role="alert">
          <Box color="saffron.700" pt="0.5">
            <TriangleAlert size={18} aria-hidden />
          </Box>
          <Box flex="1">
            <Text fontWeight="600">
              {words.leftOut(leftOut.length)}{" "}
              <Text as="span" fontWeight="400" color="fg.muted">
                {words.leftOutRest}
              </Text>
            </Text>
            <List.Root
              maxH="112px"
              overflowY="auto"
              fontSize="14px"
              variant="plain"
              tabIndex={0}
              aria-label={words.leftOut(leftOut.length)}
            >
              {leftOut.map((f, i) => (
                // biome-ignore lint/suspicious/noArrayIndexKey: the list only grows at its end
                <List.Item key={i}>
                  <Text as="span" fontWeight="500">
                    {f.name}
                  </Text>
                  : {leftOutReason(f.code)}
                </List.Item>
              ))}
            </List.Root>
          </Box>
        </HStack>
      )}
      {!incoming && said > 0 && (
        <Button
          size="sm"
          variant="ghost"
          position="absolute"
          right="4"
          top="1.5"
          onClick={() => library.forgetLeftOut()}
        >
          {words.dismiss}
        </Button>
      )}
    </Box>
  );
}

/** An estimate from what is done; too early a one would only jump about. */
function leftWords({ done, total, since }: Incoming): string {
  const seconds = (Date.now() - since) / 1000;
  return done < 5 || seconds < 2 ? "" : timeLeft(((total - done) * seconds) / done);
}
