import { Box, Button, HStack, Text } from "@chakra-ui/react";
import { useEffect, useState } from "react";
import type { OrnamentName } from "#core/artwork";
import { nameOfColour } from "#core/colour";
import type { Balance } from "#core/edit";
import type { Point } from "#core/geometry";
import { goingWith, ornaments, balance as words } from "../../../../text/index.ts";
import { Beside } from "../../../components/field-label.tsx";
import { PanelSection } from "../../../components/panel-parts.tsx";
import { Select } from "../../../components/select.tsx";
import { useServices } from "../../../services.ts";
import { balanceOf, layAccents } from "../../../state/edit/balance.ts";
import { useFacts } from "../../../state/session/facts.ts";
import { openPlaced, useLibrary, usePanel, useSession, useViewState } from "../../../state/session/hooks.ts";

/** How the page weighs, once somebody asks, and places for accents that do it good. */
export function BalanceSection() {
  return (
    <PanelSection title={words.title} folds="balance" folded>
      <Weighed />
    </PanelSection>
  );
}

const designs: readonly OrnamentName[] = ["star-five", "star-burst", "sun", "splash-small", "splash-soft"];
/** Until the page has been painted and its pictures have come. */
const restMs = 250;

function Weighed() {
  const services = useServices();
  const { viewState, bitmaps } = services;
  const session = useSession();
  const facts = useFacts();
  const page = usePanel(openPlaced);
  const balance = useViewState((s) => s.balance);
  const [design, setDesign] = useState<OrnamentName>("star-five");
  useEffect(() => {
    let soon: ReturnType<typeof setTimeout>;
    const look = () => {
      clearTimeout(soon);
      soon = setTimeout(() => viewState.setState({ balance: balanceOf(services, session, facts) }), restMs);
    };
    // The page is what is looked at, and read where it is kept.
    if (page) look();
    const unwatch = bitmaps.watch(look);
    return () => {
      clearTimeout(soon);
      unwatch();
    };
  }, [services, viewState, bitmaps, session, facts, page]);
  useEffect(() => () => viewState.setState({ balance: undefined }), [viewState]);
  if (!balance) return null;
  const lay = (places: readonly Point[]) => layAccents(services, session, balance, design, places);
  return (
    <>
      <Text fontSize="14px" mb="2" role="status">
        {words.leans(balance.lean)}
      </Text>
      <Text fontSize="13.5px" color="fg.muted" mb="2.5">
        {words.help}
      </Text>
      <Beside label={words.accent}>
        <Select<OrnamentName>
          label={words.accent}
          value={design}
          options={designs.map((d) => [d, ornaments.nameOf(d)])}
          onChoose={setDesign}
        />
      </Beside>
      <TakesUp balance={balance} />
      <HStack wrap="wrap" gap="1" mt="2">
        {balance.places.map((p, i) => (
          <Button key={`${p.x} ${p.y}`} size="sm" px="2.5" variant="outline" onClick={() => lay([p])}>
            {words.layAt(i + 1)}
          </Button>
        ))}
        {balance.places.length === 3 && (
          <Button size="sm" px="2.5" variant="outline" onClick={() => lay(balance.places)}>
            {words.layAll}
          </Button>
        )}
      </HStack>
      {balance.places.length < 3 && (
        <Text fontSize="13.5px" color="fg.muted" mt="2">
          {words.noRoom(balance.places.length)}
        </Text>
      )}
    </>
  );
}

function TakesUp({ balance: { accent } }: { readonly balance: Balance }) {
  const byId = useLibrary((s) => s.byId);
  if (!accent) return null;
  const photo = byId.get(accent.photoId);
  const where = goingWith.where(photo?.caption || photo?.name || "", undefined);
  return (
    <HStack gap="2.5" mt="2">
      <Box
        w="22px"
        h="22px"
        flexShrink="0"
        borderRadius="full"
        boxShadow="inset 0 0 0 1px {colors.oat.400}"
        style={{ background: accent.colour }}
      />
      <Text fontSize="13.5px" color="fg.muted">
        {words.takesUp(goingWith.colourName(nameOfColour(accent.colour)), where)}
      </Text>
    </HStack>
  );
}
