import { Button, Text } from "@chakra-ui/react";
import { useState } from "react";
import { style as words } from "../../../../text/index.ts";
import { PanelSection } from "../../../components/panel-parts.tsx";
import { Select } from "../../../components/select.tsx";
import { takeStyle } from "../../../state/edit/work-style.ts";
import { usePanel, useSession } from "../../../state/session/hooks.ts";
import { useProjects } from "../../../state/session/use-projects.ts";

/** The look, the palette and the fonts of another work, for this one. */
export function OtherWorksStyle() {
  const session = useSession();
  const own = usePanel((s) => s.project.id);
  const others = (useProjects().data?.cards ?? []).filter((c) => c.project.id !== own);
  const [chosen, setChosen] = useState<string>();
  const [noRoom, setNoRoom] = useState(false);
  const other = others.find((c) => c.project.id === chosen) ?? others[0];
  if (!other) return null;
  return (
    <PanelSection title={words.ofAnother} folds="other-style" folded>
      <Select
        label={words.which}
        value={other.project.id}
        options={others.map((c) => [c.project.id, c.project.name])}
        onChoose={(id) => {
          setChosen(id);
          setNoRoom(false);
        }}
      />
      <Text fontSize="13.5px" color="fg.muted" my="2">
        {words.ofAnotherLead}
      </Text>
      <Button size="sm" variant="outline" onClick={() => setNoRoom(!takeStyle(session, other.project))}>
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
