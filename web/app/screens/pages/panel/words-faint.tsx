import { Box, Button, Text } from "@chakra-ui/react";
import { fixWords, words as say } from "../../../../text/index.ts";
import { useChecker, useFindings } from "../../../state/checking/check-hooks.ts";

/** Says, as soon as the check has looked, that words do not stand off from what lies behind them, and mends it. */
export function WordsFaint({ tileId }: { readonly tileId: string }) {
  const checker = useChecker();
  const { open } = useFindings();
  const found = open.find((f) => f.code === "wordsFaint" && f.spots.some((s) => s.tileIds.includes(tileId)));
  if (found?.code !== "wordsFaint") return null;
  const [fix] = found.fixes;
  return (
    <Box mb="2">
      <Text role="status" fontSize="14px" color="clay.600">
        {say.faint(found.contrast)}
      </Text>
      {fix && (
        <Button size="sm" variant="outline" mt="1.5" onClick={() => void checker.fix([found], fix)}>
          {fixWords[fix]}
        </Button>
      )}
    </Box>
  );
}
