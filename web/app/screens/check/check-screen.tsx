import { Box, Button, Flex, Grid, Heading, Text } from "@chakra-ui/react";
import { CircleCheck } from "lucide-react";
import { useMemo, useState } from "react";
import { Link, useNavigate, useParams } from "react-router";
import { type Finding, type FixCode, type PlacedSharpness, severities } from "#core/check";
import { check as words } from "../../../text/index.ts";
import { useUndoKeys } from "../../commands/history-keys.ts";
import { Changeable } from "../../components/changeable.tsx";
import { ConfirmDialog } from "../../components/confirm-dialog.tsx";
import { TextField } from "../../components/text-field.tsx";
import { notices } from "../../notices/notices.ts";
import { useServices } from "../../services.ts";
import { useCheck, useChecker, useFindings } from "../../state/checking/check-hooks.ts";
import { useProject, useSession } from "../../state/session/hooks.ts";
import { nothingChosen } from "../../state/view-state/choose.ts";
import { AcceptedList } from "./accepted-list.tsx";
import { FindingGroup, type Group, pageWords } from "./finding-group.tsx";
import { SharpnessChart } from "./sharpness-chart.tsx";

/** Everything that could go wrong on paper, with a picture of the place and a way to mend it. */
export function CheckScreen() {
  const { viewState } = useServices();
  const session = useSession();
  const checker = useChecker();
  const project = useProject((s) => s.project);
  const { open, accepted } = useFindings();
  const looking = useCheck((s) => s.looking);
  const sharpness = useCheck((s) => s.sharpness);
  const [accepting, setAccepting] = useState<readonly Finding[]>();
  const { projectId } = useParams();
  const navigate = useNavigate();
  useUndoKeys();
  const groups = useMemo(() => groupsOf(open), [open]);

  const goTo = (pageId: string, tileIds: readonly string[]) => {
    session.goTo(pageId);
    viewState.setState({
      tiles: { ids: new Set(tileIds), anchor: tileIds[0] },
      reframing: undefined,
      writing: undefined,
    });
    void navigate(`/work/${projectId}/pages`);
  };
  const go = (f: Finding) => {
    const spot = f.spots[0];
    if (spot) goTo(spot.pageId, spot.tileIds);
    else if ("photoIds" in f) {
      viewState.setState({
        section: "photos",
        tiles: nothingChosen,
        photos: { ids: new Set(f.photoIds), anchor: f.photoIds[0] },
      });
      void navigate(`/work/${projectId}/photos`);
    }
  };
  const fix = async (findings: readonly Finding[], how: FixCode) => {
    if (!(await checker.fix(findings, how))) notices.create({ title: words.notFixed, type: "info" });
  };

  return (
    <Grid h="full" templateColumns="minmax(0, 1fr) 360px" minH="0">
      <Box overflowY="auto" px="8" py="7" data-testid="findings" aria-busy={looking}>
        <Heading as="h1" fontSize="30px" fontWeight="520">
          {words.title}
        </Heading>
        <Text color="fg.muted" mb="6" role="status">
          {looking ? words.looking : words.lead}
        </Text>
        {open.length === 0 && !looking && <AllGood to={`/work/${projectId}/send`} />}
        <Changeable>
          {severities.map((weight) => {
            const these = groups.filter((g) => g.weight === weight);
            if (these.length === 0) return null;
            return (
              <Box as="section" key={weight} mb="7" aria-label={words.weights[weight]}>
                <Heading as="h2" fontSize="21px" fontWeight="520" mb="3">
                  {words.weights[weight]}
                </Heading>
                {these.map((g) => (
                  <FindingGroup
                    key={g.key}
                    group={g}
                    onFix={(f, m) => void fix(f, m)}
                    onGo={go}
                    onAccept={(f) => setAccepting(f)}
                  />
                ))}
              </Box>
            );
          })}
        </Changeable>
      </Box>
      <Box overflowY="auto" bg="bg.panel" borderLeftWidth="1px" borderColor="oat.300" px="6" py="7">
        <SharpnessChart
          placed={sharpness}
          format={project.format}
          pageOf={(id) => pageWords(project, id)}
          onGo={(p: PlacedSharpness) => goTo(p.pageId, [p.tileId])}
        />
        <AcceptedList findings={accepted} onShow={(f) => checker.accept([f], undefined)} />
      </Box>
      {accepting && (
        <AcceptAsk
          count={accepting.length}
          onKeep={(reason) => {
            checker.accept(accepting, reason);
            setAccepting(undefined);
          }}
          onClose={() => setAccepting(undefined)}
        />
      )}
    </Grid>
  );
}

/** Of one kind and weight together, in the order of the first of each. */
function groupsOf(findings: readonly Finding[]): readonly Group[] {
  const groups = new Map<string, Finding[]>();
  for (const f of findings) {
    const key = `${f.severity} ${f.code} ${"risk" in f ? f.risk : ""}`;
    groups.set(key, [...(groups.get(key) ?? []), f]);
  }
  return [...groups].map(([key, these]) => ({ key, weight: these[0]!.severity, findings: these }));
}

function AllGood({ to }: { readonly to: string }) {
  return (
    <Flex bg="moss.100" color="moss.700" borderRadius="card" px="6" py="5" mb="7" gap="4" align="center">
      <CircleCheck size={26} aria-hidden style={{ flexShrink: 0 }} />
      <Box flex="1">
        <Text fontWeight="600" fontSize="17px">
          {words.nothing}
        </Text>
        <Text>{words.nothingLead}</Text>
      </Box>
      <Button asChild>
        <Link to={to}>{words.toSend}</Link>
      </Button>
    </Flex>
  );
}

interface AcceptAskProps {
  readonly count: number;
  readonly onKeep: (reason: string) => void;
  readonly onClose: () => void;
}

function AcceptAsk({ count, onKeep, onClose }: AcceptAskProps) {
  const [reason, setReason] = useState("");
  return (
    <ConfirmDialog
      title={words.meantTitle(count)}
      doIt={words.meantDo}
      onDo={() => onKeep(reason.trim())}
      onClose={onClose}
    >
      <Text color="fg.muted" mb="4">
        {words.meantLead}
      </Text>
      <TextField
        label={words.meantWhy}
        value={reason}
        maxLength={300}
        onChange={(e) => setReason(e.target.value)}
        onKeyDown={(e) => e.key === "Enter" && onKeep(reason.trim())}
      />
    </ConfirmDialog>
  );
}
