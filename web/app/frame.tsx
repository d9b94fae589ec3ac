import { Box, Flex } from "@chakra-ui/react";
import { Outlet, useMatch } from "react-router";
import { keeping } from "../text/places.ts";
import { useKit } from "./kit.ts";
import { DropAnywhere } from "./parts/drop-anywhere.tsx";
import { Header } from "./parts/header.tsx";
import { Strip } from "./parts/strip.tsx";

/** The slim header and the place under it; photos can be dropped on all of it. */
export function Frame() {
  const { store } = useKit();
  // A project brings its own header, which speaks of the project.
  const inProject = useMatch("/work/:projectId/*");
  return (
    <Flex direction="column" h="full" bg="bg">
      {!inProject && <Header />}
      {!store.lasting && <Strip tone="warn">{keeping.notLasting}</Strip>}
      <Box flex="1" minH="0">
        <Outlet />
      </Box>
      <DropAnywhere />
    </Flex>
  );
}
