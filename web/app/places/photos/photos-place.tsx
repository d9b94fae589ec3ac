import { Box, Button, Flex, Heading, HStack, Text, VStack } from "@chakra-ui/react";
import { LayoutGrid } from "lucide-react";
import { Link, useNavigate, useParams } from "react-router";
import { photos as words } from "../../../text/photos.ts";
import { useKit } from "../../kit.ts";
import { BringIn, TakeSample } from "../../parts/bring-in.tsx";
import { IncomingBar } from "../../parts/incoming-bar.tsx";
import { arrangePhotos } from "../../state/arrange-photos.ts";
import { chooseAll, nothingChosen } from "../../state/choose.ts";
import { useDesk, useLibrary, useMaybeSession } from "../../state/hooks.ts";
import { PhotoWall } from "./photo-wall.tsx";

/** Everything brought in, by time. */
export function PhotosPlace() {
  const photos = useLibrary((s) => s.photos);
  const coming = useLibrary((s) => s.incoming !== undefined);
  if (photos.length === 0 && !coming)
    return (
      <>
        <IncomingBar />
        <Empty />
      </>
    );
  return (
    <Flex direction="column" h="full">
      <IncomingBar />
      <Bar />
      <Box flex="1" minH="0">
        <PhotoWall />
      </Box>
    </Flex>
  );
}

function Bar() {
  const kit = useKit();
  const session = useMaybeSession();
  const { projectId } = useParams();
  const navigate = useNavigate();
  const photos = useLibrary((s) => s.photos);
  const chosen = useDesk((s) => s.photos.ids);
  const setChoice = (to: typeof nothingChosen) => kit.desk.setState({ photos: to });

  async function arrange() {
    if (!session) return;
    arrangePhotos(
      kit,
      session,
      photos.filter((p) => chosen.has(p.id)),
    );
    await navigate(`/work/${projectId}/pages`);
  }

  return (
    <HStack px="8" py="3" gap="4">
      <Heading as="h1" fontSize="24px" fontWeight="540">
        {words.count(photos.length)}
      </Heading>
      <Text color="fg.subtle" role="status">
        {chosen.size > 0 ? words.chosen(chosen.size) : ""}
      </Text>
      <HStack ml="auto" gap="2">
        <Button
          size="sm"
          variant="ghost"
          disabled={photos.length === 0}
          onClick={() => setChoice(chosen.size === photos.length ? nothingChosen : chooseAll(photos.map((p) => p.id)))}
        >
          {chosen.size === photos.length && photos.length > 0 ? words.chooseNone : words.chooseAll}
        </Button>
        <BringIn />
        {session ? (
          <Button size="sm" disabled={chosen.size === 0} onClick={() => void arrange()}>
            <LayoutGrid size={17} aria-hidden /> {words.arrange(chosen.size)}
          </Button>
        ) : (
          <Button asChild size="sm">
            <Link to="/">{words.startCollage}</Link>
          </Button>
        )}
      </HStack>
    </HStack>
  );
}

function Empty() {
  return (
    <VStack h="full" justify="center" gap="6" p="8" textAlign="center">
      <Box
        borderWidth="2px"
        borderStyle="dashed"
        borderColor="oat.400"
        borderRadius="card"
        px="16"
        py="14"
        maxW="720px"
      >
        <Heading as="h1" fontSize="30px" fontWeight="520" mb="2">
          {words.empty}
        </Heading>
        <Text color="fg.muted" fontSize="17px" mb="7" textWrap="balance">
          {words.emptyLead}
        </Text>
        <VStack gap="6">
          <BringIn main />
          <TakeSample />
        </VStack>
      </Box>
    </VStack>
  );
}
