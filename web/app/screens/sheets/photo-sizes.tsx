import { Grid, Text } from "@chakra-ui/react";
import { useState } from "react";
import { formatSize } from "#core/units";
import { sheets as words } from "../../../text/index.ts";
import { ConfirmDialog } from "../../components/confirm-dialog.tsx";
import { LengthField } from "../../components/length-field.tsx";
import { Select } from "../../components/select.tsx";
import { useServices } from "../../services.ts";
import { useProject, useSession, useViewState } from "../../state/session/hooks.ts";
import { usualSizes, wantPhotos } from "../../state/sheets/print-sheets.ts";

const mmPerInch = 25.4;

/** The chosen photos as prints of one size: a usual one, or one's own. */
export function PhotoSizes({ onClose }: { readonly onClose: () => void }) {
  const services = useServices();
  const session = useSession();
  const ids = useViewState((s) => s.photos.ids);
  const unit = useProject((s) => s.project.unit);
  const ppi = useProject((s) => s.project.format.ppi);
  const [size, setSize] = useState<string>("4x6");
  const [[shortMm, longMm], setOwn] = useState<readonly [number, number]>([89, 127]);
  const usual = usualSizes.find((s) => s.id === size);
  const chosen = usual
    ? { shortMm: usual.inch[0] * mmPerInch, longMm: usual.inch[1] * mmPerInch }
    : { shortMm, longMm };
  const inBounds = (mm: number) => (mm >= 5 && mm <= 2000 ? undefined : "5 – 2000 mm");
  return (
    <ConfirmDialog
      title={words.photosTitle}
      doIt={words.takeThem(ids.size)}
      able={ids.size > 0}
      onDo={() => {
        wantPhotos(services, session, [...ids], chosen);
        onClose();
      }}
      onClose={onClose}
    >
      <Text color="fg.muted" mb="4">
        {words.photosLead(ids.size)}
      </Text>
      <Select
        label={words.size}
        value={size}
        options={[
          ...usualSizes.map(
            (s) => [s.id, formatSize(s.inch[0] * mmPerInch, s.inch[1] * mmPerInch, unit, ppi)] as const,
          ),
          ["own", words.ownSize],
        ]}
        onChoose={setSize}
      />
      {!usual && (
        <Grid templateColumns="1fr 1fr" gap="3" mt="3">
          <LengthField
            label={words.width}
            mm={shortMm}
            unit={unit}
            ppi={ppi}
            onMm={(mm) => inBounds(mm) ?? void setOwn([mm, longMm])}
          />
          <LengthField
            label={words.height}
            mm={longMm}
            unit={unit}
            ppi={ppi}
            onMm={(mm) => inBounds(mm) ?? void setOwn([shortMm, mm])}
          />
        </Grid>
      )}
    </ConfirmDialog>
  );
}
