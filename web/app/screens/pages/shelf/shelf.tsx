import { Box } from "@chakra-ui/react";
import type { ReactNode } from "react";
import { shelf as words } from "../../../../text/index.ts";
import { useKeys } from "../../../commands/hear.ts";
import { useServices } from "../../../services.ts";
import { PanelContext, usePanelState, useViewState } from "../../../state/session/hooks.ts";
import { OrnamentsDrawer } from "./ornaments-drawer.tsx";
import { PapersDrawer } from "./papers-drawer.tsx";
import { PhotosDrawer } from "./photos-drawer.tsx";
import { ShapesDrawer } from "./shapes-drawer.tsx";
import { openDrawer } from "./shelf-size.ts";
import { TemplatesDrawer } from "./templates-drawer.tsx";
import { WaysDrawer } from "./ways-drawer.tsx";
import { WordsDrawer } from "./words-drawer.tsx";

/** The strip along the bottom: one drawer open, from which things come onto the page. */
export function Shelf() {
  const drawer = useViewState((s) => s.drawer);
  return (
    <Box
      as="section"
      aria-label={words.label}
      bg="oat.50"
      borderTopWidth="1px"
      borderColor="oat.300"
      position="relative"
    >
      {drawer !== "ways" && <WaysByKey />}
      {drawer === "photos" ? (
        <PhotosDrawer />
      ) : (
        <Following>
          {drawer === "ways" && <WaysDrawer />}
          {drawer === "templates" && <TemplatesDrawer />}
          {drawer === "shapes" && <ShapesDrawer />}
          {drawer === "words" && <WordsDrawer />}
          {drawer === "papers" && <PapersDrawer />}
          {drawer === "ornaments" && <OrnamentsDrawer />}
        </Following>
      )}
    </Box>
  );
}

/** What these drawers show follows the page a moment later. */
function Following({ children }: { readonly children: ReactNode }) {
  return <PanelContext.Provider value={usePanelState()}>{children}</PanelContext.Provider>;
}

/** The keys that step through other ways open their drawer first. */
function WaysByKey() {
  const { viewState } = useServices();
  const open = () => openDrawer(viewState, "ways");
  useKeys("alternatives", { alternativeBefore: open, alternativeAfter: open });
  return null;
}
