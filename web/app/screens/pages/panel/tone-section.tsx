import { Box, Button, HStack, Text, VStack } from "@chakra-ui/react";
import { X } from "lucide-react";
import { useEffect, useId, useRef, useState } from "react";
import { namedTones, type Tone, type ToneName, toneInto, toneKey, toneTables } from "#core/tone";
import { tone as words } from "../../../../text/index.ts";
import { Dialog } from "../../../components/dialog.tsx";
import { Act, PanelSection } from "../../../components/panel-parts.tsx";
import { TextField } from "../../../components/text-field.tsx";
import { useServices } from "../../../services.ts";
import { dropTone, keepTone, smallPixels } from "../../../state/edit/tones.ts";
import { usePanel, useSession } from "../../../state/session/hooks.ts";
import css from "./tone-section.module.css";
import { ToneSliders } from "./tone-sliders.tsx";

interface ToneSectionProps {
  /** Whose picture shows what the tones do. */
  readonly photoId: string;
  readonly tone: Tone | undefined;
  /** Several photos differ in tone. */
  readonly differ?: boolean;
  readonly onShow: (tone: Tone | undefined) => void;
  /** `slider`: which one was moved, so that a row of movements is one step. */
  readonly onKeep: (tone: Tone | undefined, slider?: string) => void;
  readonly onMatch?: (to: "neighbours" | "page") => void;
}

const shipped = Object.entries(namedTones) as readonly (readonly [ToneName, Tone])[];

/** A photo's light and colours: as pictures to choose from, and finer by sliders. */
export function ToneSection({ photoId, tone, differ = false, onShow, onKeep, onMatch }: ToneSectionProps) {
  const session = useSession();
  const own = usePanel((s) => s.project.tones);
  const [naming, setNaming] = useState(false);
  const choices: readonly (readonly [name: string, tone: Tone | undefined])[] = [
    [words.asTaken, undefined],
    ...shipped.map(([name, t]) => [words.names[name], t] as const),
    ...own.map((t) => [t.name, t.tone] as const),
  ];
  const now = toneKey(tone);
  const known = choices.findIndex(([, t]) => toneKey(t) === now);
  const ownName = own.find((t) => toneKey(t.tone) === now)?.name;
  return (
    <PanelSection title={words.title} folds="tone" folded>
      <VStack align="stretch" gap="2">
        {differ && (
          <Text fontSize="13.5px" color="fg.muted">
            {words.theyDiffer}
          </Text>
        )}
        <Tones photoId={photoId} choices={choices} chosen={known} onChoose={onKeep} />
        {ownName !== undefined && (
          <HStack justify="end">
            <Act icon={X} name={words.drop(ownName)} onAct={() => dropTone(session, ownName)} />
          </HStack>
        )}
        <ToneSliders tone={tone ?? {}} onShow={onShow} onKeep={onKeep} />
        <HStack wrap="wrap" gap="1">
          {onMatch && (
            <Button size="sm" variant="outline" w="full" onClick={() => onMatch("neighbours")}>
              {words.likeNeighbours}
            </Button>
          )}
          {onMatch && (
            <Button size="sm" variant="outline" w="full" onClick={() => onMatch("page")}>
              {words.likePage}
            </Button>
          )}
          {tone && known < 0 && (
            <Button size="sm" variant="ghost" w="full" onClick={() => setNaming(true)}>
              {words.keep}
            </Button>
          )}
        </HStack>
      </VStack>
      {naming && tone && (
        <NameTone
          onName={(name) => {
            keepTone(session, name, tone);
            setNaming(false);
          }}
          onClose={() => setNaming(false)}
        />
      )}
    </PanelSection>
  );
}

interface TonesProps {
  readonly photoId: string;
  readonly choices: readonly (readonly [name: string, tone: Tone | undefined])[];
  readonly chosen: number;
  readonly onChoose: (tone: Tone | undefined) => void;
}

function Tones({ photoId, choices, chosen, onChoose }: TonesProps) {
  const name = useId();
  return (
    <Box role="radiogroup" aria-label={words.title} className={css.tones}>
      {choices.map(([label, tone], i) => (
        <label key={label} className={css.tone}>
          <input
            type="radio"
            name={name}
            checked={i === chosen}
            className={css.radio}
            onChange={() => onChoose(tone)}
          />
          <TonePicture photoId={photoId} tone={tone} />
          <span className={css.name}>{label}</span>
        </label>
      ))}
    </Box>
  );
}

const wide = 68;
const high = 51;

function TonePicture({ photoId, tone }: { readonly photoId: string; readonly tone: Tone | undefined }) {
  const { bitmaps } = useServices();
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const draw = () => {
      const px = smallPixels(bitmaps, photoId, wide, high);
      if (!px) return;
      if (tone) toneInto(px.data, toneTables(tone));
      canvas.current?.getContext("2d")?.putImageData(px, 0, 0);
    };
    draw();
    return bitmaps.watch((id) => id === photoId && draw());
  }, [bitmaps, photoId, tone]);
  return <canvas ref={canvas} width={wide} height={high} className={css.picture} aria-hidden />;
}

function NameTone({ onName, onClose }: { readonly onName: (name: string) => void; readonly onClose: () => void }) {
  const [name, setName] = useState("");
  const form = useId();
  const typed = name.trim().slice(0, 60);
  return (
    <Dialog
      title={words.keepTitle}
      widthPx={360}
      onClose={onClose}
      foot={
        <Button type="submit" form={form} disabled={typed === ""}>
          {words.keepDo}
        </Button>
      }
    >
      <form
        id={form}
        onSubmit={(e) => {
          e.preventDefault();
          if (typed !== "") onName(typed);
        }}
      >
        <TextField
          label={words.keepName}
          value={name}
          maxLength={60}
          autoFocus
          onChange={(e) => setName(e.target.value)}
        />
      </form>
    </Dialog>
  );
}
