import { Box, Button, Flex, Heading, Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import type { SentOrder } from "../../../storage/store.ts";
import { formats, orderWords as words } from "../../../text/index.ts";
import { useServices } from "../../services.ts";
import { findOrder } from "../../state/sending/lab-client.ts";

const mostShown = 3;

/** What was sent to labs, the newest first: what it was, what it cost, and what comes next. */
export function OrdersThere() {
  const { store } = useServices();
  const orders = useQuery({ queryKey: ["orders", "all"], queryFn: () => store.everyOrder(), staleTime: 0 });
  const list = orders.data ?? [];
  if (list.length === 0) return null;
  return (
    <Box as="section" aria-label={words.title} mb="8">
      <Heading as="h2" fontSize="21px" fontWeight="520" mb="3">
        {words.title}
      </Heading>
      <Flex as="ul" direction="column" listStyleType="none" borderTopWidth="1px" borderColor="oat.300">
        {list.slice(0, mostShown).map((o) => (
          <OrderLine key={o.id} sent={o} />
        ))}
      </Flex>
    </Box>
  );
}

function OrderLine({ sent }: { readonly sent: SentOrder }) {
  const order = useQuery({
    queryKey: ["order", sent.id],
    queryFn: ({ signal }) => findOrder(sent.id, signal),
    retry: false,
  });
  const { ordered } = sent;
  const facts = [
    sent.labName,
    ...(ordered?.sizes.map((s) => words.ofSize(s.count, s.name)) ?? []),
    ...(ordered?.price === undefined ? [] : [formats.money(ordered.price, ordered.currency)]),
    words.sent(formats.dayHere(sent.at)),
  ];
  const stage = order.data?.stage;
  return (
    <Flex as="li" py="2" gap="4" align="center" borderBottomWidth="1px" borderColor="oat.300">
      <Box flex="1" minW="0">
        <Text fontWeight="600" truncate>
          {sent.title}
        </Text>
        <Text fontSize="13.5px" color="fg.subtle" fontVariantNumeric="tabular-nums" truncate>
          {facts.join(" · ")}
        </Text>
      </Box>
      <Text fontSize="14px" color={stage === "refused" || order.isError ? "saffron.700" : "fg.muted"} role="status">
        {stage ? words.next[stage] : order.isError ? words.noAnswer : ""}
      </Text>
      <Button asChild size="sm" variant="outline" flexShrink="0">
        <Link to={`/work/${sent.projectId}/orders`} aria-label={words.seeOrder(sent.title)}>
          {words.see}
        </Link>
      </Button>
    </Flex>
  );
}
