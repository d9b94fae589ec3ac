import { Box, Grid, Text } from "@chakra-ui/react";
import { useMemo, useState } from "react";
import { type Photo, shifted } from "#core/photo";
import { formats, timeWords as words } from "../../../text/index.ts";
import { ConfirmDialog } from "../../components/confirm-dialog.tsx";
import { Segmented } from "../../components/segmented.tsx";
import { Select } from "../../components/select.tsx";
import { TextField } from "../../components/text-field.tsx";
import { useServices } from "../../services.ts";

/** Moves the time of photos by as much as a camera's clock was off. */
export function TimeDialog({ chosen, onClose }: { readonly chosen: readonly Photo[]; readonly onClose: () => void }) {
  const { library } = useServices();
  const [by, setBy] = useState({ days: 0, hours: 1, minutes: 0 });
  const [way, setWay] = useState<1 | -1>(1);
  const [camera, setCamera] = useState("");
  const cameras = [...new Set(chosen.map((p) => p.camera).filter(Boolean))].sort();
  const minutes = way * (by.days * 1440 + by.hours * 60 + by.minutes);
  const guessed = chosen.every((p) => p.takenFrom === "file");
  const [mode, setMode] = useState<"shift" | "set">(guessed && chosen.length > 0 ? "set" : "shift");
  const [day, setDay] = useState(chosen[0]?.takenAt.slice(0, 10) ?? "");
  const onDay = useMemo(() => setOnDay(chosen, day), [chosen, day]);
  const moved = chosen.filter(
    (p) => (camera === "" || p.camera === camera) && minutes !== 0 && shifted(p.takenAt, minutes) !== undefined,
  );
  const first = moved[0];
  const apply = async () => {
    if (mode === "set") await library.edit("retimed", [...onDay.keys()], (p) => retimed(p, onDay.get(p.id)));
    else
      await library.edit(
        "retimed",
        moved.map((p) => p.id),
        (p) => retimed(p, shifted(p.takenAt, minutes)),
      );
    onClose();
  };
  const part = (key: keyof typeof by, label: string) => (
    <TextField
      label={label}
      type="number"
      min={0}
      max={9999}
      value={by[key]}
      onChange={(e) => setBy({ ...by, [key]: Math.min(9999, Math.max(0, Math.round(Number(e.target.value)))) })}
    />
  );
  return (
    <ConfirmDialog
      title={words.title(chosen.length)}
      doIt={mode === "set" ? words.applySet : words.apply}
      able={mode === "set" ? onDay.size > 0 : moved.length > 0}
      onDo={() => void apply()}
      onClose={onClose}
    >
      <Box mb="4">
        <Segmented
          label={words.how}
          value={mode}
          options={[
            ["shift", words.shiftAll],
            ["set", words.setAll],
          ]}
          onChoose={setMode}
        />
      </Box>
      {mode === "set" ? (
        <>
          <TextField label={words.day} type="date" value={day} onChange={(e) => setDay(e.target.value)} />
          <Text color="fg.muted" role="status" mt="3">
            {onDay.size > 0 ? words.setCount(chosen.length) : words.noDay}
          </Text>
        </>
      ) : (
        <>
          <Box mb="4">
            <Segmented
              label={words.shift}
              value={way === 1 ? "later" : "earlier"}
              options={[
                ["later", words.later],
                ["earlier", words.earlier],
              ]}
              onChoose={(v) => setWay(v === "earlier" ? -1 : 1)}
            />
          </Box>
          <Grid templateColumns="repeat(3, 1fr)" gap="3" mb="4">
            {part("days", words.days)}
            {part("hours", words.hours)}
            {part("minutes", words.minutes)}
          </Grid>
          {cameras.length > 1 && (
            <Box mb="4">
              <Text fontSize="14px" fontWeight="500" color="fg.muted" mb="1">
                {words.camera}
              </Text>
              <Select
                label={words.camera}
                value={camera}
                options={[["", words.anyCamera], ...cameras.map((c) => [c, c] as const)]}
                onChoose={setCamera}
              />
            </Box>
          )}
          <Text color="fg.muted" role="status">
            {words.count(moved.length)}{" "}
            {first &&
              words.example(
                first.name,
                formats.takenMoment(first.takenAt),
                formats.takenMoment(shifted(first.takenAt, minutes)!),
              )}
          </Text>
        </>
      )}
    </ConfirmDialog>
  );
}

/** The photo with another time; what the file said is remembered from the first correction on. */
export function retimed(p: Photo, takenAt: string | undefined): Photo {
  if (takenAt === undefined || takenAt === p.takenAt) return p;
  return { ...p, takenAt, takenFrom: "you", foundTime: p.foundTime ?? { takenAt: p.takenAt, takenFrom: p.takenFrom } };
}

/** Photos on one day in the order in which they stand now, a minute after each other from noon on; nothing for no day. */
function setOnDay(chosen: readonly Photo[], day: string): ReadonlyMap<string, string> {
  if (!/^\d{4}-\d{2}-\d{2}$/.test(day)) return new Map();
  const noon = `${day}T12:00:00`;
  const inOrder = [...chosen].sort((a, b) => (a.takenAt < b.takenAt ? -1 : a.takenAt > b.takenAt ? 1 : 0));
  return new Map(
    inOrder.flatMap((p, i) => {
      const at = shifted(noon, i);
      return at === undefined ? [] : [[p.id, at] as const];
    }),
  );
}
