import { Box, HStack, IconButton } from "@chakra-ui/react";
import { ChevronDown, ChevronUp, PanelBottomClose, PanelBottomOpen } from "lucide-react";
import { type ReactNode, useId } from "react";
import { shelf as words } from "../../../../text/index.ts";
import { hears } from "../../../commands/hear.ts";
import { direction } from "../../../commands/keys.ts";
import { Tooltip } from "../../../components/tooltip.tsx";
import { useServices } from "../../../services.ts";
import { useViewState } from "../../../state/session/hooks.ts";
import { type Drawer, drawers } from "../../../state/view-state/view-state.ts";
import css from "./shelf.module.css";
import { openDrawer, shelfDown, shelfUp } from "./shelf-size.ts";

interface DrawerFrameProps {
  /** What stands beside the names of the drawers. */
  readonly tools?: ReactNode;
  readonly children: ReactNode;
}

/** The names of all drawers, what belongs to the open one, and what is in it unless the shelf is folded away. */
export function DrawerFrame({ tools, children }: DrawerFrameProps) {
  const folded = useViewState((s) => s.shelf === "folded");
  const drawer = useViewState((s) => s.drawer);
  const id = useId();
  return (
    <>
      <HStack px="4" h="44px" gap="3">
        <DrawerNames panelId={id} />
        <HStack ml="auto" gap="2" minW="0">
          {!folded && tools}
          <SizeButtons />
        </HStack>
      </HStack>
      {!folded && (
        <Box id={id} role="tabpanel" aria-label={words.drawers[drawer]}>
          {children}
        </Box>
      )}
    </>
  );
}

function DrawerNames({ panelId }: { readonly panelId: string }) {
  const { viewState } = useServices();
  const open = useViewState((s) => s.drawer);
  const choose = (drawer: Drawer) => {
    openDrawer(viewState, drawer);
    requestAnimationFrame(() => document.querySelector<HTMLElement>(`[data-drawer="${drawer}"]`)?.focus());
  };
  const onKeyDown = hears("drawers", {
    toNext: (e) => {
      const next = drawers.indexOf(open) + direction(e).x;
      choose(drawers[(next + drawers.length) % drawers.length]!);
    },
  });
  return (
    <div role="tablist" aria-label={words.drawersLabel} className={css.names} onKeyDown={onKeyDown}>
      {drawers.map((drawer) => (
        <button
          key={drawer}
          type="button"
          role="tab"
          data-drawer={drawer}
          aria-selected={drawer === open}
          aria-controls={panelId}
          tabIndex={drawer === open ? 0 : -1}
          className={css.name}
          onClick={() => openDrawer(viewState, drawer)}
        >
          {words.drawers[drawer]}
        </button>
      ))}
    </div>
  );
}

function SizeButtons() {
  const { viewState } = useServices();
  const size = useViewState((s) => s.shelf);
  const folded = size === "folded";
  return (
    <HStack gap="0.5" flexShrink="0">
      {size !== "half" && (
        <SizeButton
          name={folded ? words.unfold : words.up}
          icon={folded ? <PanelBottomOpen size={17} /> : <ChevronUp size={18} />}
          onAct={() => shelfUp(viewState)}
        />
      )}
      {!folded && (
        <SizeButton
          name={size === "one" ? words.fold : words.down}
          icon={size === "one" ? <PanelBottomClose size={17} /> : <ChevronDown size={18} />}
          onAct={() => shelfDown(viewState)}
        />
      )}
    </HStack>
  );
}

interface SizeButtonProps {
  readonly name: string;
  readonly icon: ReactNode;
  readonly onAct: () => void;
}

function SizeButton({ name, icon, onAct }: SizeButtonProps) {
  return (
    <Tooltip words={name}>
      <IconButton size="sm" variant="ghost" aria-label={name} onClick={onAct}>
        {icon}
      </IconButton>
    </Tooltip>
  );
}
