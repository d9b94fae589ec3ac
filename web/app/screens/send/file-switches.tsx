import { Box } from "@chakra-ui/react";
import type { Project } from "#core/document";
import { sendOptions as words } from "../../../text/index.ts";
import { isPictureFormat, takesSetting } from "../../../workers/picture-formats.ts";
import { Checkbox } from "../../components/checkbox.tsx";
import { NumberField } from "../../components/number-field.tsx";
import type { FileOptions } from "../../state/sending/file-options.ts";

interface FileSwitchesProps {
  readonly fileOptions: FileOptions;
  readonly onFileOptions: (fileOptions: FileOptions) => void;
  readonly project: Project;
}

/** What can be switched on or off for this kind of file. */
export function FileSwitches({ fileOptions, onFileOptions, project }: FileSwitchesProps) {
  const { kind } = fileOptions;
  const isPicture = isPictureFormat(kind);
  const picture = (change: Partial<FileOptions["picture"]>) =>
    onFileOptions({ ...fileOptions, picture: { ...fileOptions.picture, ...change } });
  return (
    <Box mt="4" display="flex" flexDirection="column" gap="2">
      {takesSetting(kind, "chroma") && (
        <>
          <Checkbox
            label={words.fullColour}
            on={fileOptions.picture.chroma === "444"}
            onToggle={(on) => picture({ chroma: on ? "444" : "420" })}
          />
          <Checkbox
            label={words.progressive}
            on={fileOptions.picture.progressive}
            onToggle={(progressive) => picture({ progressive })}
          />
        </>
      )}
      {takesSetting(kind, "bits") && fileOptions.longSidePx === undefined && (
        <Checkbox
          label={words.deep}
          on={fileOptions.picture.bits === 16}
          onToggle={(deep) => picture({ bits: deep ? 16 : 8 })}
        />
      )}
      {kind === "ora" && (
        <Checkbox
          label={words.named}
          on={fileOptions.named}
          onToggle={(named) => onFileOptions({ ...fileOptions, named })}
        />
      )}
      {kind === "pdf" && (
        <>
          <Checkbox
            label={words.marks}
            on={fileOptions.marks}
            onToggle={(marks) => onFileOptions({ ...fileOptions, marks })}
          />
          <Checkbox
            label={words.small}
            on={fileOptions.small}
            onToggle={(small) => onFileOptions({ ...fileOptions, small })}
          />
          {!fileOptions.small && (
            <Checkbox
              label={words.lossless}
              on={fileOptions.lossless}
              onToggle={(lossless) => onFileOptions({ ...fileOptions, lossless })}
            />
          )}
        </>
      )}
      {isPicture && (
        <Checkbox
          label={words.forScreen}
          on={fileOptions.longSidePx !== undefined}
          onToggle={(on) => onFileOptions({ ...fileOptions, longSidePx: on ? screenPx : undefined })}
        />
      )}
      {isPicture && fileOptions.longSidePx !== undefined && (
        <Box w="180px" pl="6">
          <NumberField
            label={words.longSide}
            value={fileOptions.longSidePx}
            least={100}
            most={8000}
            step={10}
            onNumber={(n) => onFileOptions({ ...fileOptions, longSidePx: Math.round(n) })}
          />
        </Box>
      )}
      {hasBleed(project) && fileOptions.longSidePx === undefined && (
        <Checkbox
          label={words.withoutBleed}
          on={fileOptions.withoutBleed}
          onToggle={(withoutBleed) => onFileOptions({ ...fileOptions, withoutBleed })}
        />
      )}
    </Box>
  );
}

/** Of the longer side, to begin with: as much as most screens show, and a mail can carry. */
const screenPx = 2048;

/** Cards that are printed by themselves have a bleed of their own. */
const hasBleed = ({ format, pockets }: Project): boolean =>
  (pockets?.output === "inserts" ? pockets.bleedMm : format.bleedMm) > 0;
