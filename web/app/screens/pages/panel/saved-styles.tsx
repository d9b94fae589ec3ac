import { Button, HStack, IconButton, Text } from "@chakra-ui/react";
import { Trash2 } from "lucide-react";
import { useState } from "react";
import { style as words } from "../../../../text/index.ts";
import { PanelSection } from "../../../components/panel-parts.tsx";
import { TextField } from "../../../components/text-field.tsx";
import { dropStyle, keepStyle, mostStyles, takeStyle } from "../../../state/edit/work-style.ts";
import { usePanel, useSession } from "../../../state/session/hooks.ts";

/** The look of all pages under names, to come back to. */
export function SavedStyles() {
  const session = useSession();
  const styles = usePanel((s) => s.project.styles);
  const [name, setName] = useState("");
  const [trouble, setTrouble] = useState<string>();
  const typed = name.trim();
  const keep = () => {
    const kept = typed !== "" && keepStyle(session, typed);
    setTrouble(kept ? undefined : typed === "" ? words.saveNameless : words.saveMost(mostStyles));
    if (kept) setName("");
  };
  return (
    <PanelSection title={words.saved} folds="saved-styles" folded>
      <Text fontSize="13.5px" color="fg.muted" mb="2">
        {words.savedLead}
      </Text>
      {styles.map((s) => (
        <HStack key={s.name} gap="1" mb="1">
          <Button
            size="sm"
            variant="outline"
            flex="1"
            minW="0"
            justifyContent="start"
            onClick={() => setTrouble(takeStyle(session, s) ? undefined : words.noRoom)}
            aria-label={words.takeSaved(s.name)}
          >
            <Text truncate>{s.name}</Text>
          </Button>
          <IconButton
            size="sm"
            variant="ghost"
            aria-label={words.dropSaved(s.name)}
            onClick={() => dropStyle(session, s.name)}
          >
            <Trash2 size={16} />
          </IconButton>
        </HStack>
      ))}
      <form
        onSubmit={(e) => {
          e.preventDefault();
          keep();
        }}
      >
        <TextField
          label={words.saveName}
          value={name}
          maxLength={60}
          onChange={(e) => {
            setName(e.target.value);
            setTrouble(undefined);
          }}
        />
        <Button type="submit" size="sm" variant="outline" mt="2">
          {words.save}
        </Button>
      </form>
      {trouble && (
        <Text role="alert" fontSize="13.5px" color="clay.600" mt="2">
          {trouble}
        </Text>
      )}
    </PanelSection>
  );
}
