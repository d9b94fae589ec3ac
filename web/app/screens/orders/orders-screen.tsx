import { Box, Button, Flex, Heading, HStack, IconButton, Text, VStack } from "@chakra-ui/react";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { Trash2 } from "lucide-react";
import { Link, useParams } from "react-router";
import { type LabMood, labMoods, type Order } from "#core/lab";
import type { SentOrder } from "../../../storage/store.ts";
import { common, formats, reasonWords, orderWords as words } from "../../../text/index.ts";
import { Select } from "../../components/select.tsx";
import { notices } from "../../notices/notices.ts";
import { useServices } from "../../services.ts";
import { findOrder } from "../../state/sending/lab-client.ts";
import css from "./orders-screen.module.css";

const lookAgainMs = 2000;
const way = ["received", "checked", "printing", "posted"] as const;

/** What was sent to labs: the receipt, how far it is, or why it came back. */
export function OrdersScreen() {
  const { store } = useServices();
  const { projectId } = useParams();
  const orders = useQuery({
    queryKey: ["orders", projectId],
    queryFn: () => store.orders(projectId ?? ""),
    staleTime: 0,
  });
  const list = orders.data ?? [];
  return (
    <Box h="full" overflowY="auto">
      <Box maxW="820px" mx="auto" px="8" py="8">
        <Heading as="h1" fontSize="30px" fontWeight="520">
          {list.length === 0 ? words.none : words.title}
        </Heading>
        <Text color="fg.muted" mb="6">
          {list.length === 0 ? words.noneLead : words.lead}
        </Text>
        {list.length === 0 && (
          <Button asChild>
            <Link to={`/work/${projectId}/send`}>{words.toSend}</Link>
          </Button>
        )}
        <VStack align="stretch" gap="5">
          {list.map((o) => (
            <OneOrder key={o.id} sent={o} />
          ))}
        </VStack>
        <Mood />
      </Box>
    </Box>
  );
}

function OneOrder({ sent }: { readonly sent: SentOrder }) {
  const { store } = useServices();
  const queries = useQueryClient();
  const again = () => queries.invalidateQueries({ queryKey: ["orders"] });
  const forget = async () => {
    await store.removeOrder(sent.id);
    await again();
    notices.create({
      title: words.forgotten(sent.title),
      type: "info",
      action: { label: common.undoIt, onClick: () => void store.putOrder(sent).then(again) },
    });
  };
  const order = useQuery({
    queryKey: ["order", sent.id],
    queryFn: ({ signal }) => findOrder(sent.id, signal),
    retry: false,
    refetchInterval: (query) => (query.state.data?.stage === "posted" ? false : lookAgainMs),
  });
  const now = order.data;
  return (
    <Box
      as="article"
      aria-label={sent.title}
      bg="oat.25"
      borderWidth="1px"
      borderColor="oat.300"
      borderRadius="card"
      px="6"
      py="5"
    >
      <Flex justify="space-between" align="baseline" gap="4" mb="3" wrap="wrap">
        <Heading as="h2" fontSize="20px" fontWeight="540">
          {sent.title}
        </Heading>
        <HStack gap="2">
          <Text fontSize="14px" color="fg.subtle" fontVariantNumeric="tabular-nums">
            {[sent.labName, words.files(sent.files), words.sent(formats.takenDay(sent.at))].join(" · ")}
          </Text>
          <IconButton
            variant="ghost"
            size="sm"
            aria-label={words.forget(sent.title)}
            title={words.forget(sent.title)}
            onClick={() => void forget()}
          >
            <Trash2 size={17} aria-hidden />
          </IconButton>
        </HStack>
      </Flex>
      {now?.receipt && (
        <Text fontWeight="600" mb="3" fontVariantNumeric="tabular-nums">
          {words.receipt(now.receipt)}
        </Text>
      )}
      {order.isError && <Text color="saffron.700">{words.gone}</Text>}
      {now && <Stage order={now} />}
    </Box>
  );
}

function Stage({ order }: { readonly order: Order }) {
  const { stage, reasons, at } = order;
  if (stage === "refused")
    return (
      <Box role="alert">
        <Text fontWeight="600" color="clay.700" mb="2">
          {words.reasons}
        </Text>
        <ul className={css.reasons}>
          {reasons.map((r) => (
            <li key={`${r.file} ${r.code}`}>
              <b>{r.file ?? words.whole}</b> {reasonWords(r)}
            </li>
          ))}
        </ul>
      </Box>
    );
  if (stage === "sending") return <Text color="saffron.700">{words.stages.sending}</Text>;
  const here = way.indexOf(stage);
  return (
    <ol className={css.way} aria-label={words.stages[stage]} data-stage={stage}>
      {way.map((s, i) => (
        <li key={s} className={i <= here ? css.reached : ""} aria-current={i === here ? "step" : undefined}>
          <span className={css.bead} aria-hidden />
          {words.stages[s]}
          {at[s] && <time dateTime={at[s]}>{formats.clockWithSeconds(at[s])}</time>}
        </li>
      ))}
    </ol>
  );
}

/** How the stand-in behaves; there is nothing of the kind where another server answers. */
function Mood() {
  const queries = useQueryClient();
  const mood = useQuery({
    queryKey: ["lab-mood"],
    retry: false,
    queryFn: async () => {
      const answer = await fetch("/lab/mood");
      if (!answer.ok) throw new Error(String(answer.status));
      return ((await answer.json()) as { mood: LabMood }).mood;
    },
  });
  if (!mood.data) return null;
  return (
    <Box as="section" aria-label={words.mood} mt="10" pt="5" borderTopWidth="1px" borderColor="oat.300">
      <HStack gap="4" align="center">
        <Text fontWeight="600" flexShrink="0">
          {words.mood}
        </Text>
        <Box w="260px">
          <Select<LabMood>
            label={words.mood}
            value={mood.data}
            options={labMoods.map((m) => [m, words.moods[m]] as const)}
            onChoose={async (next) => {
              await fetch("/lab/mood", { method: "PUT", body: JSON.stringify({ mood: next }) });
              await queries.invalidateQueries({ queryKey: ["lab-mood"] });
            }}
          />
        </Box>
      </HStack>
      <Text fontSize="14px" color="fg.muted" mt="2">
        {words.moodLead}
      </Text>
    </Box>
  );
}
