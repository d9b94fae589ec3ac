import { HStack, IconButton, Menu, Portal, Text } from "@chakra-ui/react";
import { Hand, Minus, Plus } from "lucide-react";
import { formats, zoom as words } from "../../../text/index.ts";
import { firstKeyOf, hint } from "../../commands/shown.ts";
import { Tooltip } from "../tooltip.tsx";
import { type NamedZoom, namedZooms, type Zooming } from "./use-zoom.ts";
import { paperScale } from "./zoom.ts";

const stepFactor = 1.25;

/** Closer and further, the four usual ways to look, and a hand that moves what is too large for the window. */
export function ZoomControl({ zooming, ink }: { readonly zooming: Zooming; readonly ink?: string }) {
  const { laid, reaches, hand, setHand, zoomBy, zoomTo } = zooming;
  if (!laid) return null;
  const plain = {
    size: "xs",
    variant: "ghost",
    minW: "26px",
    h: "26px",
    color: "inherit",
    _hover: { bg: "rgba(128,120,104,.25)" },
  } as const;
  return (
    <HStack gap="0.5" role="group" aria-label={words.label} color={ink ?? "fg.muted"} flexShrink="0">
      {reaches && (
        <Tooltip words={hint(words.hand, "zoom", "hand")}>
          <IconButton
            {...plain}
            aria-label={words.hand}
            aria-pressed={hand}
            {...(hand ? { bg: "glaze.500", color: "white" } : {})}
            onClick={() => setHand(!hand)}
          >
            <Hand size={16} />
          </IconButton>
        </Tooltip>
      )}
      <Tooltip words={hint(words.further, "zoom", "further")}>
        <IconButton {...plain} aria-label={words.further} onClick={() => zoomBy(1 / stepFactor)}>
          <Minus size={16} />
        </IconButton>
      </Tooltip>
      <Menu.Root onSelect={({ value }) => zoomTo(value as NamedZoom)} positioning={{ placement: "top" }}>
        <Menu.Trigger asChild>
          <IconButton {...plain} px="1.5" aria-label={words.how} title={words.comparedWith} data-testid="zoom">
            <Text as="span" fontSize="13px" fontWeight="500" fontVariantNumeric="tabular-nums" minW="46px">
              {formats.percent(laid.scale / paperScale)}
            </Text>
          </IconButton>
        </Menu.Trigger>
        <Portal>
          <Menu.Positioner>
            <Menu.Content bg="oat.25" borderRadius="card" boxShadow="lifted" minW="230px">
              {namedZooms.map((z) => (
                <Menu.Item key={z} value={z} justifyContent="space-between">
                  {words.named[z]}
                  <Text as="span" color="fg.subtle" fontSize="13px">
                    {firstKeyOf("zoom", z)}
                  </Text>
                </Menu.Item>
              ))}
            </Menu.Content>
          </Menu.Positioner>
        </Portal>
      </Menu.Root>
      <Tooltip words={hint(words.closer, "zoom", "closer")}>
        <IconButton {...plain} aria-label={words.closer} onClick={() => zoomBy(stepFactor)}>
          <Plus size={16} />
        </IconButton>
      </Tooltip>
    </HStack>
  );
}
