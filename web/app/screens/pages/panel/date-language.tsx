import { Box, Text } from "@chakra-ui/react";
import { formats, words as say } from "../../../../text/index.ts";
import { Select } from "../../../components/select.tsx";
import { useProject, useSession } from "../../../state/session/hooks.ts";

const languages = ["en-GB", "en-US", "de", "fr", "es", "it", "nl", "pt", "pl", "sv", "da", "nb", "fi", "cs", "el"];

/** What all dates on the pages of this work are written in. */
export function DateLanguage() {
  const session = useSession();
  const own = useProject((s) => s.project.language);
  const codes = languages.includes(own) ? languages : [own, ...languages];
  return (
    <Box mt="3">
      <Text fontSize="14px" fontWeight="500" color="fg.muted" mb="1">
        {say.datesIn}
      </Text>
      <Select
        label={say.datesIn}
        value={own}
        options={codes.map((code) => [code, formats.language(code)])}
        onChoose={(language) =>
          session.commit({ code: "changedLanguage", count: 1 }, [{ type: "setProject", language }])
        }
      />
    </Box>
  );
}
