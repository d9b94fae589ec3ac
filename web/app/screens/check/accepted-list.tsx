import { Box, Button, Text } from "@chakra-ui/react";
import type { Finding } from "#core/check";
import { findingTitle, check as words } from "../../../text/index.ts";
import { useProject } from "../../state/session/hooks.ts";
import { pageWords } from "./finding-group.tsx";

/** What a person said is meant so, with the reason, and a way to have it shown again. */
export function AcceptedList({
  findings,
  onShow,
}: {
  readonly findings: readonly Finding[];
  readonly onShow: (finding: Finding) => void;
}) {
  const project = useProject((s) => s.project);
  if (findings.length === 0) return null;
  const reasons = new Map(project.accepted.map((a) => [a.key, a.reason]));
  return (
    <Box as="section" mt="8" aria-label={words.accepted(findings.length)}>
      <Text as="h2" fontWeight="600" fontSize="15px" mb="2">
        {words.accepted(findings.length)}
      </Text>
      {findings.map((f) => (
        <Box key={f.key} borderTopWidth="1px" borderColor="oat.200" py="2.5">
          <Text fontSize="14.5px" fontWeight="500">
            {findingTitle(f, 1)}
            {f.spots[0] && `: ${pageWords(project, f.spots[0].pageId)}`}
          </Text>
          <Text fontSize="14px" color="fg.muted">
            {reasons.get(f.key) || words.noReason}
          </Text>
          <Button size="sm" variant="ghost" ml="-3" onClick={() => onShow(f)}>
            {words.lookAgain}
          </Button>
        </Box>
      ))}
    </Box>
  );
}
