import { Menu, Portal } from "@chakra-ui/react";
import { type ReactElement, useState } from "react";

export type Deed = readonly [value: string, words: string, deed: () => void, keys?: string];

interface ContextMenuProps {
  readonly label: string;
  /** Asked for when it opens: until then nothing that is drawn depends on them. */
  readonly deeds: () => readonly Deed[];
  readonly onClose?: () => void;
  readonly children: ReactElement;
}

/** What can be done with something, where the pointer is: by a right click, a long press, or the menu key. */
export function ContextMenu({ label, deeds, onClose, children }: ContextMenuProps) {
  const [shown, setShown] = useState<readonly Deed[]>([]);
  return (
    <Menu.Root
      // Closed it costs nothing: what it is laid around is drawn again with every choice and every scroll.
      lazyMount
      unmountOnExit
      onSelect={({ value }) => shown.find(([v]) => v === value)?.[2]()}
      onOpenChange={({ open }) => (open ? setShown(deeds()) : onClose?.())}
    >
      <Menu.ContextTrigger asChild>{children}</Menu.ContextTrigger>
      {shown.length > 0 && (
        <Portal>
          <Menu.Positioner>
            <Menu.Content bg="oat.25" borderRadius="card" boxShadow="lifted" aria-label={label}>
              {shown.map(([value, name, , pressed]) => (
                <Menu.Item key={value} value={value}>
                  {name}
                  {pressed && (
                    <Menu.ItemCommand opacity="1" color="fg.subtle" fontFamily="body" letterSpacing="normal">
                      {pressed}
                    </Menu.ItemCommand>
                  )}
                </Menu.Item>
              ))}
            </Menu.Content>
          </Menu.Positioner>
        </Portal>
      )}
    </Menu.Root>
  );
}
