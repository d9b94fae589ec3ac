import { Button, HStack, Text } from "@chakra-ui/react";
import type { Box } from "#core/document";
import { words as say } from "../../../../text/index.ts";
import { useServices } from "../../../services.ts";
import { endHere, partOfStory } from "../../../state/edit/stories.ts";
import { useSession } from "../../../state/session/hooks.ts";

/** Where a story goes on that runs through several boxes. */
export function StoryPart({ tileId }: { readonly tileId: string }) {
  const { viewState } = useServices();
  const session = useSession();
  const story = partOfStory(session, tileId);
  if (!story) return null;
  const go = ({ pageId, tileId: id }: Pick<Box, "pageId" | "tileId">) => {
    session.goTo(pageId);
    viewState.setState({ tiles: { ids: new Set([id]), anchor: id }, writing: undefined });
  };
  return (
    <>
      <Text fontSize="14px" color="fg.muted" mb="1">
        {say.storyPart(story.part, story.of)}
      </Text>
      <HStack gap="2" mb="3">
        {story.before && (
          <Button size="sm" variant="outline" onClick={() => go(story.before!)}>
            {say.storyBefore}
          </Button>
        )}
        {story.after && (
          <>
            <Button size="sm" variant="outline" onClick={() => go(story.after!)}>
              {say.storyAfter}
            </Button>
            <Button size="sm" variant="ghost" onClick={() => endHere(session, tileId)}>
              {say.storyEnd}
            </Button>
          </>
        )}
      </HStack>
    </>
  );
}
