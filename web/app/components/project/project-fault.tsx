import { Button, Heading, HStack, Text, VStack } from "@chakra-ui/react";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { Link, useNavigate } from "react-router";
import { mostNameLength } from "#core/document";
import type { StoreTrouble } from "../../../storage/store.ts";
import { common, fault, keeping, workFault as words } from "../../../text/index.ts";
import { within } from "../../../text/within.ts";
import { useServices } from "../../services.ts";
import { projectsChanged } from "../../state/session/use-projects.ts";
import { saveAsNew } from "../../state/session/whole-project.ts";

interface WorkFaultProps {
  readonly projectId: string;
  readonly why: StoreTrouble | "missing";
}

/** In place of a work that does not open: why, and what can be done now. */
export function WorkFault({ projectId, why }: WorkFaultProps) {
  const { store } = useServices();
  const bringBack = () => void store.restoreProject(projectId).then(() => location.reload());
  switch (why) {
    case "missing":
      return <Told title={words.missing} body={words.missingBody} />;
    case "workRemoved":
      return (
        <Told title={words.removed} body={words.removedBody}>
          <Button onClick={bringBack}>{common.bringBack}</Button>
        </Told>
      );
    case "workNewer":
      return (
        <Told title={words.newer} body={words.newerBody}>
          <Button onClick={() => location.reload()}>{common.tryAgain}</Button>
        </Told>
      );
    case "recordDamaged":
      return <Damaged projectId={projectId} />;
    default:
      return (
        <Told title={words.unread} body={why === "storageHeld" ? keeping.failed.storageHeld : words.unreadBody}>
          <Button onClick={() => location.reload()}>{common.tryAgain}</Button>
        </Told>
      );
  }
}

function Damaged({ projectId }: { readonly projectId: string }) {
  const services = useServices();
  const navigate = useNavigate();
  const queries = useQueryClient();
  const { data, isFetched } = useQuery({
    queryKey: ["salvage", projectId],
    queryFn: async () => (await services.store.salvage(projectId)) ?? null,
  });
  if (!isFetched) return null;
  const keep = async () => {
    if (!data) return;
    const id = await saveAsNew(services, data.project, within(mostNameLength, data.project.name, words.salvaged));
    await projectsChanged(queries);
    await navigate(`/work/${id}`);
  };
  return (
    <Told title={words.damaged} body={data ? words.damagedBody : words.nothingLeft}>
      {data && <Button onClick={() => void keep()}>{words.salvage(data.project.pages.length, data.lostPages)}</Button>}
    </Told>
  );
}

interface ToldProps {
  readonly title: string;
  readonly body: string;
  readonly children?: React.ReactNode;
}

function Told({ title, body, children }: ToldProps) {
  return (
    <VStack h="full" justify="center" gap="4" textAlign="center" p="8" role="alert">
      <Heading as="h1" fontSize="28px">
        {title}
      </Heading>
      <Text color="fg.muted" maxW="460px" textWrap="pretty">
        {body}
      </Text>
      <HStack gap="3">
        {children}
        <Button asChild variant={children ? "outline" : "solid"}>
          <Link to="/">{fault.back}</Link>
        </Button>
      </HStack>
    </VStack>
  );
}
