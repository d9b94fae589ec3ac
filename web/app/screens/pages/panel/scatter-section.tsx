import { Button, HStack } from "@chakra-ui/react";
import { useState } from "react";
import type { Scatter } from "#core/document";
import { tilings as words } from "../../../../text/index.ts";
import { Beside } from "../../../components/field-label.tsx";
import { Bead, PanelSection } from "../../../components/panel-parts.tsx";
import { Select } from "../../../components/select.tsx";
import { useServices } from "../../../services.ts";
import { scatterAgain } from "../../../state/edit/scatter.ts";
import { useSession } from "../../../state/session/hooks.ts";

/** The chosen prints stay where a hand put them, and the others settle around them. */
export function SettleOthers() {
  const services = useServices();
  const session = useSession();
  const [busy, setBusy] = useState(false);
  const settle = async () => {
    setBusy(true);
    try {
      await scatterAgain(services, session, {}, services.viewState.getState().tiles.ids);
    } finally {
      setBusy(false);
    }
  };
  return (
    <Button
      mt="2"
      w="full"
      size="sm"
      variant="outline"
      title={words.settleMeans}
      loading={busy}
      onClick={() => void settle()}
    >
      {words.settle}
    </Button>
  );
}

const frames = ["none", "white", "foot"] as const;

/** How the page's prints are scattered; each setting lays them out anew. */
export function ScatterSection({ scatter }: { readonly scatter: Scatter }) {
  const services = useServices();
  const session = useSession();
  const [busy, setBusy] = useState(false);
  const again = async (next: Partial<Scatter>) => {
    setBusy(true);
    try {
      await scatterAgain(services, session, next);
    } finally {
      setBusy(false);
    }
  };
  const percent = (v: number) => `${Math.round(100 * v)} %`;
  return (
    <PanelSection title={words.scatterSection} folds="scatter">
      <Beside label={`${words.cover} ${percent(scatter.cover)}`}>
        <Bead
          label={words.cover}
          value={scatter.cover}
          least={0.5}
          most={1.2}
          step={0.01}
          onMove={() => {}}
          onEnd={(cover) => void again({ cover })}
        />
      </Beside>
      <Beside label={`${words.turns} ${words.degrees(scatter.maxTurn)}`}>
        <Bead
          label={words.turns}
          value={scatter.maxTurn}
          most={25}
          step={1}
          onMove={() => {}}
          onEnd={(maxTurn) => void again({ maxTurn })}
        />
      </Beside>
      <Beside label={`${words.seen} ${percent(scatter.share)}`}>
        <Bead
          label={words.seen}
          value={scatter.share}
          least={0.5}
          most={0.95}
          step={0.05}
          onMove={() => {}}
          onEnd={(share) => void again({ share })}
        />
      </Beside>
      <Beside label={words.frame}>
        <Select<Scatter["frame"]>
          label={words.frame}
          value={scatter.frame}
          options={frames.map((f) => [f, words.frames[f]])}
          onChoose={(frame) => void again({ frame })}
        />
      </Beside>
      <HStack mt="2" gap="1.5" wrap="wrap">
        <Button size="sm" variant="outline" loading={busy} onClick={() => void again({ seed: scatter.seed + 1 })}>
          {words.scatterAgain}
        </Button>
      </HStack>
    </PanelSection>
  );
}
