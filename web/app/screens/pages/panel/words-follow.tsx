import { Box, Text } from "@chakra-ui/react";
import { contentsOf, contentsText, type Words } from "#core/document";
import { words as say } from "../../../../text/index.ts";
import { Select } from "../../../components/select.tsx";
import { Toggle } from "../../../components/toggle.tsx";
import { changeWords } from "../../../state/edit/word-gestures.ts";
import { useSession } from "../../../state/session/hooks.ts";
import { DateLanguage } from "./date-language.tsx";

/** What of its photo a caption says, and in which language its day is written. */
export function WordsFollow({ tileId, from }: { readonly tileId: string; readonly from: NonNullable<Words["from"]> }) {
  const session = useSession();
  return (
    <Box mt="3">
      <Text fontSize="14px" fontWeight="500" color="fg.muted" mb="1">
        {say.follows}
      </Text>
      <Select
        label={say.follows}
        value={from.what}
        options={(["caption", "day", "both"] as const).map((w) => [w, say.followsWhat[w]])}
        onChoose={(what) => changeWords(session, tileId, (now) => ({ from: now.from && { ...now.from, what } }))}
      />
      <Text fontSize="13px" color="fg.subtle" mt="1">
        {say.followsHelp}
      </Text>
      {from.what !== "caption" && <DateLanguage />}
    </Box>
  );
}

interface ContentsFollowProps {
  readonly tileId: string;
  readonly which: NonNullable<Words["contents"]>;
  readonly empty: boolean;
}

/** What a table of contents lists. */
export function ContentsFollow({ tileId, which, empty }: ContentsFollowProps) {
  const session = useSession();
  const list = (contents: ContentsFollowProps["which"]) => {
    const text = contentsText(contentsOf(session.state.getState().project), contents);
    changeWords(session, tileId, () => ({ contents, text, spans: undefined }));
  };
  return (
    <Box mt="3">
      <Toggle label={say.withHeadings} on={which === "headings"} onTurn={(on) => list(on ? "headings" : "titles")} />
      <Text fontSize="13px" color="fg.subtle" mt="1">
        {empty ? say.contentsEmpty : say.contentsHelp}
      </Text>
    </Box>
  );
}
