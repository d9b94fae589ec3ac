import { Button, Text } from "@chakra-ui/react";
import { useState } from "react";
import { style as words } from "../../../../text/index.ts";
import { PanelSection } from "../../../components/panel-parts.tsx";
import { Select } from "../../../components/select.tsx";
import { styleOf, takeStyle } from "../../../state/edit/work-style.ts";
import { usePanel, useSession } from "../../../state/session/hooks.ts";
import { useProjects } from "../../../state/session/use-projects.ts";

/** The look, the palette and the fonts of another work, for this one. */
export function OtherWorksStyle() {
  const session = useSession();
  const own = usePanel((s) => s.project.id);
  const others = (useProjects().data?.cards ?? []).filter((c) => c.project.id !== own);
  const [chosen, setChosen] = useState<string>();
  const [noRoom, setNoRoom] = useState(false);
  // Each of them as it looks now, and the styles that are kept in it.
  const styles = others.flatMap(({ project }) => [
    { key: project.id, name: project.name, style: styleOf(project) },
    ...project.styles.map((s) => ({
      key: `${project.id} ${s.name}`,
      name: words.savedIn(project.name, s.name),
      style: s,
    })),
  ]);
  const other = styles.find((s) => s.key === chosen) ?? styles[0];
  if (!other) return null;
  return (
    <PanelSection title={words.ofAnother} folds="other-style" folded>
      <Select
        label={words.which}
        value={other.key}
        options={styles.map((s) => [s.key, s.name])}
        onChoose={(id) => {
          setChosen(id);
          setNoRoom(false);
        }}
      />
      <Text fontSize="13.5px" color="fg.muted" my="2">
        {words.ofAnotherLead}
      </Text>
      <Button size="sm" variant="outline" onClick={() => setNoRoom(!takeStyle(session, other.style))}>
        {words.take}
      </Button>
      {noRoom && (
        <Text role="alert" fontSize="13.5px" color="clay.600" mt="2">
          {words.noRoom}
        </Text>
      )}
    </PanelSection>
  );
}
