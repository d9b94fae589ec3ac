import { Button, chakra } from "@chakra-ui/react";
import { X } from "lucide-react";

interface DropRowProps {
  readonly label: string;
  /** The only one of a list that must not be empty: it stays. */
  readonly last?: boolean;
  readonly onDrop: () => void;
}

/** Takes one out of a list. */
export function DropRow({ label, last = false, onDrop }: DropRowProps) {
  return (
    <chakra.button
      type="button"
      aria-label={label}
      title={label}
      disabled={last}
      onClick={onDrop}
      w="32px"
      h="36px"
      display="grid"
      placeItems="center"
      borderRadius="soft"
      _hover={{ bg: "oat.200" }}
      _disabled={{ opacity: 0.3 }}
    >
      <X size={16} aria-hidden />
    </chakra.button>
  );
}

/** Adds one to a list. */
export function OneMore({ label, onMore }: { readonly label: string; readonly onMore: () => void }) {
  return (
    <Button alignSelf="start" size="sm" variant="outline" onClick={onMore}>
      {label}
    </Button>
  );
}

/** An id that none of these has. */
export function freeId(of: readonly { readonly id: string }[], stem: string): string {
  let n = of.length + 1;
  while (of.some((x) => x.id === `${stem}-${n}`)) n += 1;
  return `${stem}-${n}`;
}
