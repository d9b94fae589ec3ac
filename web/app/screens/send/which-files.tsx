import { Box, Text } from "@chakra-ui/react";
import { send as words } from "../../../text/index.ts";
import { Segmented } from "../../components/segmented.tsx";
import { TextField } from "../../components/text-field.tsx";
import type { SendTo } from "../../state/sending/sender.ts";

export type Which = "all" | "this" | "some";

interface WhichFilesProps {
  readonly count: number;
  readonly which: Which;
  readonly asked: string;
  /** Whether there is one to ask for. */
  readonly cover: boolean;
  /** Nothing is what was asked for. */
  readonly none: boolean;
  readonly onWhich: (which: Which) => void;
  readonly onAsked: (asked: string) => void;
}

/** All files, the one that is looked at, or some by their numbers. */
export function WhichFiles({ count, which, asked, cover, none, onWhich, onAsked }: WhichFilesProps) {
  return (
    <Box mb="4">
      <Segmented
        label={words.which}
        value={which}
        options={[
          ["all", words.allPages(count)],
          ["this", words.thisPage],
          ["some", words.somePages],
        ]}
        onChoose={onWhich}
      />
      {which === "some" && (
        <Box mt="3">
          <TextField
            label={words.whichSome}
            value={asked}
            placeholder={words.pagesExample(cover ? words.coverWord : undefined)}
            onChange={(e) => onAsked(e.target.value.slice(0, 200))}
          />
          {none && (
            <Text fontSize="13.5px" color="clay.600" mt="1" role="alert">
              {words.noneOfThose}
            </Text>
          )}
        </Box>
      )}
    </Box>
  );
}

interface WhereToProps {
  readonly to: SendTo;
  readonly several: boolean;
  /** Whether the lab takes files like these. */
  readonly lab: boolean;
  readonly onTo: (to: SendTo) => void;
}

/** One by one, in a zip, into a folder, or to the lab. */
export function WhereTo({ to, several, lab, onTo }: WhereToProps) {
  return (
    <Box mb="4">
      <Segmented
        tight={several && lab}
        label={words.where}
        value={to}
        options={[
          ["each", several ? words.toEach : words.toDisk],
          ...(several ? [["zip", words.toZip] as const] : []),
          ...("showDirectoryPicker" in window && several ? [["folder", words.toFolder] as const] : []),
          ...(lab ? [["lab", words.toLab] as const] : []),
        ]}
        onChoose={onTo}
      />
    </Box>
  );
}
