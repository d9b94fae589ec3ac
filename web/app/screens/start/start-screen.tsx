import { Box, Flex, Heading, HStack, Text, VStack } from "@chakra-ui/react";
import { lazy, Suspense, useState } from "react";
import type { Project } from "#core/document";
import { start as words } from "../../../text/index.ts";
import { BringIn, TakeSample } from "../../components/import-buttons.tsx";
import { IncomingBar } from "../../components/incoming-bar.tsx";
import { useServices } from "../../services.ts";
import { useLabs } from "../../state/sending/use-labs.ts";
import { countShown, useLibrary, useViewState } from "../../state/session/hooks.ts";
import { useProjects } from "../../state/session/use-projects.ts";
import { CarriedPhotos } from "./carried-photos.tsx";
import { KindChooser } from "./kind-chooser.tsx";
import { NewCollage } from "./new-collage.tsx";
import { OrdersThere } from "./orders-there.tsx";
import { YourWork } from "./your-work.tsx";

// The first screen shows without these, and they follow.
const OpenFile = lazy(() => import("../../components/project/open-file.tsx").then((m) => ({ default: m.OpenFile })));
const ExampleWorks = lazy(() => import("./example-works.tsx").then((m) => ({ default: m.ExampleWorks })));
const LostAll = lazy(() => import("./lost-all.tsx").then((m) => ({ default: m.LostAll })));
const Removed = lazy(() => import("../../components/removed.tsx").then((m) => ({ default: m.Removed })));
const Remind = lazy(() => import("./remind.tsx").then((m) => ({ default: m.Remind })));
const NewPrints = lazy(() => import("./new-prints.tsx").then((m) => ({ default: m.NewPrints })));
const NewPockets = lazy(() => import("./new-pockets.tsx").then((m) => ({ default: m.NewPockets })));

/** Where one comes in: what there is already, and what could be made. */
export function StartScreen() {
  const count = useLibrary(countShown);
  const coming = useLibrary((s) => s.incoming !== undefined);
  const { lost, keeping } = useServices();
  const carried = useViewState((s) => s.carried);
  // What comes later from storage or the lab would push away what somebody is about to click.
  const worksKnown = useProjects().isFetchedAfterMount;
  const labs = useLabs();
  const labsKnown = labs.isFetched || labs.failureCount > 0;
  return (
    <Box h="full" overflowY="auto">
      <IncomingBar />
      <Box maxW="1180px" mx="auto" px="8" py="8">
        {lost && (
          <Suspense>
            <LostAll mark={lost} />
          </Suspense>
        )}
        {count === 0 && !coming && <FirstPhotos />}
        {worksKnown && labsKnown && (
          <Suspense>
            <YourWork />
            <Box mt="-4" mb="7" ml="-3" _empty={{ display: "none" }}>
              <Removed />
            </Box>
            <OrdersThere />
            {keeping && !carried && <Remind keeping={keeping} />}
            <NewWork />
          </Suspense>
        )}
      </Box>
    </Box>
  );
}

function NewWork() {
  const [kind, setKind] = useState<Project["kind"]>("collage");
  return (
    <>
      <HStack justify="space-between" align="end" mb="5" gap="4">
        <Heading as="h1" fontSize="34px" fontWeight="520" lineHeight="1.15">
          {words.title}
        </Heading>
        <HStack gap="2">
          <ExampleWorks />
          <OpenFile />
        </HStack>
      </HStack>
      <CarriedPhotos />
      <Box mb="6">
        <KindChooser kind={kind} onChoose={setKind} />
      </Box>
      <Suspense>
        {kind === "pockets" ? (
          <NewPockets />
        ) : kind === "prints" ? (
          <NewPrints />
        ) : (
          <NewCollage key={kind} kind={kind} />
        )}
      </Suspense>
    </>
  );
}

function FirstPhotos() {
  return (
    <Flex
      bg="oat.25"
      borderWidth="1px"
      borderColor="oat.300"
      borderRadius="card"
      p="7"
      mb="9"
      gap="8"
      align="center"
      justify="space-between"
      wrap="wrap"
    >
      <VStack align="start" gap="4">
        <Box>
          <Heading as="h2" fontSize="25px" fontWeight="520">
            {words.noPhotos}
          </Heading>
          <Text color="fg.muted">{words.noPhotosLead}</Text>
        </Box>
        <BringIn main />
      </VStack>
      <VStack gap="2" borderLeftWidth="1px" borderColor="oat.300" pl="8">
        <HStack fontFamily="heading" fontSize="17px" color="fg.muted">
          {words.haveNone}
        </HStack>
        <TakeSample />
      </VStack>
    </Flex>
  );
}
