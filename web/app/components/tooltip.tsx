import { Portal, Tooltip } from "@chakra-ui/react";
import type { ReactElement, ReactNode } from "react";

/** Words that come up over a control when the pointer or the focus rests on it. */
export function Tip({ words, children }: { readonly words: ReactNode; readonly children: ReactElement }) {
  return (
    <Tooltip.Root openDelay={350} closeDelay={80} positioning={{ placement: "bottom" }}>
      <Tooltip.Trigger asChild>{children}</Tooltip.Trigger>
      <Portal>
        <Tooltip.Positioner>
          <Tooltip.Content>{words}</Tooltip.Content>
        </Tooltip.Positioner>
      </Portal>
    </Tooltip.Root>
  );
}
