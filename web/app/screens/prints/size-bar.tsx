import { Button, HStack, Text } from "@chakra-ui/react";
import { useDroppable } from "@dnd-kit/core";
import type { PrintSize } from "#core/lab";
import { formats, prints as words } from "../../../text/index.ts";
import { useProject, useViewState } from "../../state/session/hooks.ts";

/** The lab's sizes: a click prints the chosen photos so, and a photo can be dropped on each. */
export function SizeBar({ onPrint }: { readonly onPrint: (size: PrintSize) => void }) {
  const lab = useProject((s) => s.project.lab);
  const chosen = useViewState((s) => s.photos.ids.size);
  if (!lab) return null;
  return (
    <HStack role="group" aria-label={words.sizesLabel} px="4" py="2.5" gap="2" wrap="wrap">
      <Text fontWeight="600" fontSize="14.5px" mr="1" color={chosen > 0 ? "fg" : "fg.muted"}>
        {chosen > 0 ? words.printAs(chosen) : words.chooseFirst}
      </Text>
      {lab.sizes.map((size) => (
        <SizeButton key={size.id} size={size} currency={lab.currency} able={chosen > 0} onPrint={() => onPrint(size)} />
      ))}
    </HStack>
  );
}

interface SizeButtonProps {
  readonly size: PrintSize;
  readonly currency: string | undefined;
  readonly able: boolean;
  readonly onPrint: () => void;
}

function SizeButton({ size, currency, able, onPrint }: SizeButtonProps) {
  const drop = useDroppable({ id: size.id });
  const dragging = drop.active !== null;
  return (
    <Button
      ref={drop.setNodeRef}
      size="sm"
      variant={able ? "solid" : "outline"}
      disabled={!able && !dragging}
      onClick={onPrint}
      fontVariantNumeric="tabular-nums"
      {...(dragging ? { borderColor: "glaze.500", borderStyle: "dashed", bg: "glaze.50", color: "glaze.700" } : {})}
      {...(drop.isOver ? { bg: "glaze.500", color: "white", borderStyle: "solid" } : {})}
    >
      {size.name}
      {size.price !== undefined && (
        <Text as="span" fontWeight="400" fontSize="13px" opacity="0.85">
          {formats.money(size.price, currency)}
        </Text>
      )}
    </Button>
  );
}
