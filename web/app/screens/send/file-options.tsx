import { Box, Button, Grid, HStack, Text } from "@chakra-ui/react";
import { ChevronDown, ChevronUp } from "lucide-react";
import { useState } from "react";
import { fileHolds, type Project } from "#core/document";
import { printColours, type TiffPacking, tiffPackings } from "#core/files";
import { paperKinds } from "#core/pixels";
import { sendWishes as words } from "../../../text/send.ts";
import { Tick } from "../../components/checkbox.tsx";
import { Named } from "../../components/field-label.tsx";
import { NumberField } from "../../components/number-field.tsx";
import { Choose } from "../../components/select.tsx";
import { type FileKind, fileKinds, labWishes, type Wishes } from "../../state/sending/file-options.ts";
import { useProject } from "../../state/session/hooks.ts";

interface FileWishesProps {
  readonly wishes: Wishes;
  readonly onWishes: (wishes: Wishes) => void;
}

/** What kind of files; as the lab wants them until a person asks for something else. */
export function FileWishes({ wishes, onWishes }: FileWishesProps) {
  const project = useProject((s) => s.project);
  const [open, setOpen] = useState(false);
  const lab = labWishes(project);
  const asLab = JSON.stringify(lab) === JSON.stringify(wishes);
  const isPicture = wishes.kind === "jpeg" || wishes.kind === "png" || wishes.kind === "tiff";
  const picture = (change: Partial<Wishes["picture"]>) =>
    onWishes({ ...wishes, picture: { ...wishes.picture, ...change } });
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
            <Named label={words.kind}>
              <Choose<FileKind>
                label={words.kind}
                value={wishes.kind}
                options={fileKinds.map((k) => [k, words.kinds[k]])}
                onChoose={(kind) => onWishes({ ...wishes, kind, longSidePx: undefined })}
              />
            </Named>
            {wishes.kind === "jpeg" && (
              <NumberField
                label={words.quality}
                value={Math.round(wishes.picture.quality * 100)}
                least={50}
                most={100}
                step={1}
                onNumber={(n) => picture({ quality: n / 100 })}
              />
            )}
            {project.kind === "book" && (
              <Named label={words.holds}>
                <Choose
                  label={words.holds}
                  value={wishes.holds}
                  options={fileHolds.map((h) => [h, words.holdsWhat[h]])}
                  onChoose={(holds) => onWishes({ ...wishes, holds })}
                />
              </Named>
            )}
            {isPicture && (
              <Named label={words.colour}>
                <Choose
                  label={words.colour}
                  value={wishes.picture.colour}
                  options={printColours.map((c) => [c, words.colours[c]])}
                  onChoose={(colour) => picture({ colour })}
                />
              </Named>
            )}
            {wishes.kind === "tiff" && (
              <Named label={words.packing}>
                <Choose<TiffPacking>
                  label={words.packing}
                  value={wishes.picture.packing ?? "none"}
                  options={tiffPackings.map((p) => [p, words.packings[p]])}
                  onChoose={(packing) => picture({ packing })}
                />
              </Named>
            )}
            {isPicture && (
              <Named label={words.sharpen}>
                <Choose
                  label={words.sharpen}
                  value={wishes.picture.sharpenFor ?? "off"}
                  options={[["off", words.sharpenOff], ...paperKinds.map((p) => [p, words.sharpenFor[p]] as const)]}
                  onChoose={(paper) => picture({ sharpenFor: paper === "off" ? undefined : paper })}
                />
              </Named>
            )}
          </Grid>
          {isPicture && project.lab?.paper && (
            <Text mt="2" fontSize="13.5px" color="fg.muted">
              {words.labPaper(project.lab.name, words.sharpenFor[project.lab.paper])}
            </Text>
          )}
          <Box mt="4" display="flex" flexDirection="column" gap="2">
            {wishes.kind === "jpeg" && (
              <>
                <Tick
                  label={words.fullColour}
                  on={wishes.picture.chroma === "444"}
                  onTick={(on) => picture({ chroma: on ? "444" : "420" })}
                />
                <Tick
                  label={words.progressive}
                  on={wishes.picture.progressive}
                  onTick={(progressive) => picture({ progressive })}
                />
              </>
            )}
            {wishes.kind === "tiff" && wishes.longSidePx === undefined && (
              <Tick
                label={words.deep}
                on={wishes.picture.bits === 16}
                onTick={(deep) => picture({ bits: deep ? 16 : 8 })}
              />
            )}
            {wishes.kind === "ora" && (
              <Tick label={words.named} on={wishes.named} onTick={(named) => onWishes({ ...wishes, named })} />
            )}
            {wishes.kind === "pdf" && (
              <>
                <Tick label={words.marks} on={wishes.marks} onTick={(marks) => onWishes({ ...wishes, marks })} />
                <Tick label={words.small} on={wishes.small} onTick={(small) => onWishes({ ...wishes, small })} />
                {!wishes.small && (
                  <Tick
                    label={words.lossless}
                    on={wishes.lossless}
                    onTick={(lossless) => onWishes({ ...wishes, lossless })}
                  />
                )}
              </>
            )}
            {isPicture && (
              <Tick
                label={words.forScreen}
                on={wishes.longSidePx !== undefined}
                onTick={(on) => onWishes({ ...wishes, longSidePx: on ? screenPx : undefined })}
              />
            )}
            {isPicture && wishes.longSidePx !== undefined && (
              <Box w="180px" pl="6">
                <NumberField
                  label={words.longSide}
                  value={wishes.longSidePx}
                  least={100}
                  most={8000}
                  step={10}
                  onNumber={(n) => onWishes({ ...wishes, longSidePx: Math.round(n) })}
                />
              </Box>
            )}
            {hasBleed(project) && wishes.longSidePx === undefined && (
              <Tick
                label={words.withoutBleed}
                on={wishes.withoutBleed}
                onTick={(withoutBleed) => onWishes({ ...wishes, withoutBleed })}
              />
            )}
          </Box>
          {!asLab && (
            <Button size="sm" variant="outline" mt="3" onClick={() => onWishes(lab)}>
              {project.lab ? words.backToLab : words.backToUsual}
            </Button>
          )}
        </>
      )}
    </Box>
  );
}

/** Of the longer side, to begin with: as much as most screens show, and a mail can carry. */
const screenPx = 2048;

/** Cards that are printed by themselves have a bleed of their own. */
const hasBleed = ({ format, pockets }: Project): boolean =>
  (pockets?.output === "inserts" ? pockets.bleedMm : format.bleedMm) > 0;
