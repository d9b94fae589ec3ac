import { Box, Button, Grid, Text } from "@chakra-ui/react";
import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useNavigate } from "react-router";
import { newPrints } from "#core/document";
import { formats, language, start as words } from "../../../text/index.ts";
import { useServices } from "../../services.ts";
import { useLabs } from "../../state/sending/use-labs.ts";
import { projectsChanged } from "../../state/session/use-projects.ts";
import { BeginBar } from "./begin-bar.tsx";
import { freshName } from "./fresh-name.ts";
import { LabChooser } from "./lab-chooser.tsx";
import { Section } from "./section.tsx";

/** From a lab that makes prints to photos in its sizes; which photo in which size is asked when there are photos to look at. */
export function NewPrints() {
  const { store, newId, now } = useServices();
  const navigate = useNavigate();
  const queries = useQueryClient();
  const labs = useLabs();
  const [labId, setLabId] = useState<string>();
  const cards = labs.data?.filter((l) => l.kind === "prints") ?? [];
  const lab = cards.find((l) => l.id === labId) ?? cards[0];

  async function begin() {
    if (!lab) return;
    const { cards: made } = await store.projects();
    const at = now();
    const project = newPrints({ name: freshName("prints", made), lab, language }, { newId, at });
    await store.saveProject({ project, steps: [], done: 0, savedAt: at, sent: undefined });
    await navigate(`/work/${project.id}/prints`);
    void projectsChanged(queries);
  }

  return (
    <>
      <Grid templateColumns="340px minmax(0, 1fr)" gap="8" alignItems="start">
        <Section title={words.lab}>
          {labs.isError && <Text color="clay.600">{words.labsMissing}</Text>}
          <LabChooser labs={cards} chosen={lab?.id ?? ""} own={false} onChoose={setLabId} />
          <Button asChild size="sm" variant="ghost" mt="3">
            <Link to="/labs">{words.ownLabs}</Link>
          </Button>
        </Section>
        {lab && (
          <Section title={words.sizesThere}>
            <Grid as="dl" templateColumns="auto auto" justifyContent="start" columnGap="8" rowGap="1">
              {lab.sizes.map((s) => (
                <Box key={s.id} display="contents">
                  <Text as="dt" fontVariantNumeric="tabular-nums">
                    {s.name}
                  </Text>
                  <Text as="dd" color="fg.muted" fontVariantNumeric="tabular-nums" textAlign="right">
                    {s.price === undefined ? "" : formats.money(s.price, lab.currency)}
                  </Text>
                </Box>
              ))}
            </Grid>
            <Text fontSize="14px" color="fg.subtle" mt="3">
              {words.sizesLater}
            </Text>
          </Section>
        )}
      </Grid>
      <BeginBar kind="prints" facts={lab ? [lab.name] : []} onBegin={lab && (() => void begin())} />
    </>
  );
}
