import { Box, Button, Grid, HStack, Text } from "@chakra-ui/react";
import { ChevronDown, ChevronUp } from "lucide-react";
import { useState } from "react";
import { fileHolds } from "#core/document";
import { printColours, type TiffPacking, tiffPackings } from "#core/files";
import { paperKinds } from "#core/pixels";
import { sendOptions as words } from "../../../text/index.ts";
import { isPictureFormat, takesSetting } from "../../../workers/picture-formats.ts";
import { FieldLabel } from "../../components/field-label.tsx";
import { NumberField } from "../../components/number-field.tsx";
import { Select } from "../../components/select.tsx";
import { type FileKind, type FileOptions, fileKinds, labFileOptions } from "../../state/sending/file-options.ts";
import { useProject } from "../../state/session/hooks.ts";
import { FileSwitches } from "./file-switches.tsx";

export interface FileSettingsProps {
  readonly fileOptions: FileOptions;
  readonly onFileOptions: (fileOptions: FileOptions) => void;
}

/** What kind of files; as the lab wants them until a person asks for something else. */
export function FileSettings({ fileOptions, onFileOptions }: FileSettingsProps) {
  const project = useProject((s) => s.project);
  const [open, setOpen] = useState(false);
  const lab = labFileOptions(project);
  const asLab = JSON.stringify(lab) === JSON.stringify(fileOptions);
  const { kind } = fileOptions;
  const isPicture = isPictureFormat(kind);
  const picture = (change: Partial<FileOptions["picture"]>) =>
    onFileOptions({ ...fileOptions, picture: { ...fileOptions.picture, ...change } });
  return (
    <Box borderTopWidth="1px" borderColor="oat.200" pt="4" mb="5">
      <HStack justify="space-between" mb={open ? "4" : "0"}>
        <Text fontWeight="600" fontSize="15px">
          {asLab ? (project.lab ? words.asLab(project.lab.name) : words.asUsual) : words.asAsked}
        </Text>
        <Button size="sm" variant="ghost" aria-expanded={open} onClick={() => setOpen(!open)}>
          {words.otherwise} {open ? <ChevronUp size={16} aria-hidden /> : <ChevronDown size={16} aria-hidden />}
        </Button>
      </HStack>
      {open && (
        <>
          <Grid templateColumns="1fr 1fr" gap="4" alignItems="end">
            <FieldLabel label={words.kind}>
              <Select<FileKind>
                label={words.kind}
                value={kind}
                options={fileKinds.map((k) => [k, words.kinds[k]])}
                onChoose={(kind) => onFileOptions({ ...fileOptions, kind, longSidePx: undefined })}
              />
            </FieldLabel>
            {takesSetting(kind, "quality") && (
              <NumberField
                label={words.quality}
                value={Math.round(fileOptions.picture.quality * 100)}
                least={50}
                most={100}
                step={1}
                onNumber={(n) => picture({ quality: n / 100 })}
              />
            )}
            {project.kind === "book" && (
              <FieldLabel label={words.holds}>
                <Select
                  label={words.holds}
                  value={fileOptions.holds}
                  options={fileHolds.map((h) => [h, words.holdsWhat[h]])}
                  onChoose={(holds) => onFileOptions({ ...fileOptions, holds })}
                />
              </FieldLabel>
            )}
            {isPicture && (
              <FieldLabel label={words.colour}>
                <Select
                  label={words.colour}
                  value={fileOptions.picture.colour}
                  options={printColours.map((c) => [c, words.colours[c]])}
                  onChoose={(colour) => picture({ colour })}
                />
              </FieldLabel>
            )}
            {takesSetting(kind, "packing") && (
              <FieldLabel label={words.packing}>
                <Select<TiffPacking>
                  label={words.packing}
                  value={fileOptions.picture.packing ?? "none"}
                  options={tiffPackings.map((p) => [p, words.packings[p]])}
                  onChoose={(packing) => picture({ packing })}
                />
              </FieldLabel>
            )}
            {isPicture && (
              <FieldLabel label={words.sharpen}>
                <Select
                  label={words.sharpen}
                  value={fileOptions.picture.sharpenFor ?? "off"}
                  options={[["off", words.sharpenOff], ...paperKinds.map((p) => [p, words.sharpenFor[p]] as const)]}
                  onChoose={(paper) => picture({ sharpenFor: paper === "off" ? undefined : paper })}
                />
              </FieldLabel>
            )}
          </Grid>
          {isPicture && project.lab?.paper && (
            <Text mt="2" fontSize="13.5px" color="fg.muted">
              {words.labPaper(project.lab.name, words.sharpenFor[project.lab.paper])}
            </Text>
          )}
          <FileSwitches fileOptions={fileOptions} onFileOptions={onFileOptions} project={project} />
          {!asLab && (
            <Button size="sm" variant="outline" mt="3" onClick={() => onFileOptions(lab)}>
              {project.lab ? words.backToLab : words.backToUsual}
            </Button>
          )}
        </>
      )}
    </Box>
  );
}
