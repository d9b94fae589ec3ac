import { Box, chakra, Flex, HStack, Text } from "@chakra-ui/react";
import { useMemo, useState } from "react";
import { useStore } from "zustand";
import { drawnPage, type Editing, findPage, type Project, pageOfStep, travelled } from "#core/document";
import { seenBox } from "#core/lab";
import { formats, stepWords, work as words } from "../../../text/index.ts";
import { useServices } from "../../services.ts";
import { useFacts } from "../../state/session/facts.ts";
import type { ProjectSession } from "../../state/session/project-session.ts";
import { Dialog } from "../dialog.tsx";
import { PageThumb } from "../page-thumb.tsx";

/** All steps by name, the latest first, with the page before and after the one that is looked at; a click goes there. */
export function AllSteps({ session, onClose }: { readonly session: ProjectSession; readonly onClose: () => void }) {
  const project = useStore(session.state, (s) => s.project);
  const history = useStore(session.state, (s) => s.history);
  const { steps, done } = history;
  const [at, setAt] = useState<number>();
  const today = formats.dayHere(useServices().now());
  // What was there before and after a step is worked out from what is there now.
  const now: Editing = { project, history };
  const looked = Math.min(steps.length - 1, Math.max(0, at ?? done - 1));
  return (
    <Dialog title={words.stepsTitle} widthPx={760} onClose={onClose}>
      <Text color="fg.muted" mb="3">
        {steps.length === 0 ? words.stepsNone : words.stepsLead}
      </Text>
      {steps.length > 0 && (
        <Flex gap="4" align="start">
          <Box
            as="ol"
            flex="1"
            minW="0"
            maxH="420px"
            overflowY="auto"
            listStyleType="none"
            aria-label={words.stepsTitle}
          >
            {steps
              .map((step, i) => (
                <Row
                  key={`${step.at} ${step.name.code}`}
                  name={stepWords(step.name)}
                  when={whenOf(step.at, today)}
                  stands={i === done - 1}
                  undone={i >= done}
                  looked={i === looked}
                  onLook={() => setAt(i)}
                  onGo={() => void session.goToStep(i + 1)}
                />
              ))
              .reverse()}
            <Row
              name={words.stepsStart}
              when=""
              stands={done === 0}
              undone={false}
              looked={false}
              onLook={() => setAt(0)}
              onGo={() => void session.goToStep(0)}
            />
          </Box>
          <BeforeAndAfter now={now} step={looked} />
        </Flex>
      )}
    </Dialog>
  );
}

/** The time of day, and the day where it was another. */
function whenOf(at: string, today: string): string {
  const day = formats.dayHere(at);
  return day === today ? formats.clock(at) : `${day}, ${formats.clock(at)}`;
}

interface RowProps {
  readonly name: string;
  readonly when: string;
  /** The project stands right behind it. */
  readonly stands: boolean;
  readonly undone: boolean;
  readonly looked: boolean;
  readonly onLook: () => void;
  readonly onGo: () => void;
}

const Row = ({ name, when, stands, undone, looked, onLook, onGo }: RowProps) => (
  <li style={{ contentVisibility: "auto", containIntrinsicSize: "auto 34px" }}>
    <chakra.button
      type="button"
      w="full"
      px="2.5"
      py="1.5"
      display="flex"
      gap="3"
      justifyContent="space-between"
      textAlign="left"
      fontSize="14px"
      borderRadius="soft"
      bg={stands ? "glaze.50" : looked ? "oat.200" : undefined}
      color={undone ? "fg.subtle" : undefined}
      fontWeight={stands ? "600" : undefined}
      aria-current={stands ? "step" : undefined}
      onPointerEnter={onLook}
      onFocus={onLook}
      onClick={onGo}
    >
      <span>
        {name}
        {undone && ` (${words.stepUndone})`}
      </span>
      <Text as="span" color="fg.subtle" fontVariantNumeric="tabular-nums" flexShrink="0">
        {when}
      </Text>
    </chakra.button>
  </li>
);

const sidePx = 168;

function BeforeAndAfter({ now, step }: { readonly now: Editing; readonly step: number }) {
  const facts = useFacts();
  const { project, history } = now;
  const seen = useMemo(() => {
    const from: Editing = { project, history };
    const [before, after] = [travelled(from, step), travelled(from, step + 1)].map((e) => e.project) as [
      Project,
      Project,
    ];
    const pageId = pageOfStep(before, after);
    const pageIn = (p: Project) => {
      const page = pageId === undefined ? undefined : p.cover?.id === pageId ? p.cover : findPage(p, pageId);
      return page && drawnPage(p, page, (id) => facts.photo(id)?.takenAt);
    };
    return { before: pageIn(before), after: pageIn(after) };
  }, [project, history, step, facts]);
  if (!seen.before && !seen.after)
    return (
      <Text w={`${sidePx}px`} fontSize="14px" color="fg.subtle">
        {words.stepNoPage}
      </Text>
    );
  return (
    <Box flexShrink="0" w={`${sidePx}px`}>
      {(["before", "after"] as const).map((which) => {
        const page = seen[which];
        const box = page && seenBox(page.format);
        return (
          <Box key={which} mb="3">
            <HStack fontSize="13.5px" color="fg.muted" mb="1">
              {words.steps[which]}
            </HStack>
            {page && box ? (
              <Box boxShadow="paper" w="fit-content">
                <PageThumb page={page} scale={sidePx / Math.max(box.w, box.h)} />
              </Box>
            ) : (
              <Text fontSize="14px" color="fg.subtle">
                {words.stepNotThere}
              </Text>
            )}
          </Box>
        );
      })}
    </Box>
  );
}
