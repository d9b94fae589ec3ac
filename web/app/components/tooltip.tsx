import { Tooltip as ChakraTooltip, Portal } from "@chakra-ui/react";
import type { ReactElement, ReactNode } from "react";

/** Words that come up over a control when the pointer or the focus rests on it. */
export function Tooltip({ words, children }: { readonly words: ReactNode; readonly children: ReactElement }) {
  return (
    <ChakraTooltip.Root openDelay={350} closeDelay={80} positioning={{ placement: "bottom" }}>
      <ChakraTooltip.Trigger asChild>{children}</ChakraTooltip.Trigger>
      <Portal>
        {/* What lies under it can be used as if it were not there. */}
        <ChakraTooltip.Positioner css={{ pointerEvents: "none !important" }}>
          <ChakraTooltip.Content>{words}</ChakraTooltip.Content>
        </ChakraTooltip.Positioner>
      </Portal>
    </ChakraTooltip.Root>
  );
}
