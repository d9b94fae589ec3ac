import { Box, Button, HStack, Text } from "@chakra-ui/react";
import { CircleCheck } from "lucide-react";
import type { PrintColour } from "#core/files";
import { common, formats, printTrouble, send as words } from "../../text/index.ts";
import type { Sender, SendOrder, SendState } from "../state/sending/sender.ts";
import { ProgressBar } from "./progress-bar.tsx";

/** How far it is, file by file and over all of them. */
export function Making({ sender, state }: { readonly sender: Sender; readonly state: SendState }) {
  const of = Math.max(1, state.names.length);
  const percent =
    state.is === "handing"
      ? Math.round(100 * (state.share || 1))
      : Math.min(99, Math.round((100 * (state.done + state.share)) / of));
  const paused = state.is === "paused";
  return (
    <Box>
      <Text fontWeight="600" role="status" mb="2" fontVariantNumeric="tabular-nums">
        {state.is === "handing"
          ? state.share > 0
            ? words.handingShare(percent)
            : words.handing
          : paused
            ? words.paused(state.done, of)
            : `${words.making(of)}: ${words.makingShare(percent)}`}
      </Text>
      <ProgressBar label={words.making(of)} value={percent} />
      {of > 1 && state.is !== "handing" && (
        <Text mt="2" fontSize="14px" color="fg.muted" fontVariantNumeric="tabular-nums" wordBreak="break-word">
          {words.fileOf(Math.min(of, state.done + 1), of, state.names[state.done] ?? "", Math.round(100 * state.share))}
        </Text>
      )}
      <HStack mt="4" gap="3">
        {of > 1 && state.is !== "handing" && (
          <Button variant="outline" onClick={() => (paused ? sender.goOn() : sender.pause())}>
            {paused ? words.resume : words.pause}
          </Button>
        )}
        <Button variant="outline" onClick={() => sender.stop()}>
          {common.stop}
        </Button>
      </HStack>
    </Box>
  );
}

/** Below this a JPEG shows that it is one. */
export const leastQuality = 0.7;

interface TooLargeProps {
  readonly files: SendState["tooLarge"];
  readonly mostMb: number;
  /** As it is now, where a lower one would help. */
  readonly quality: number | undefined;
  readonly onQuality: (quality: number) => void;
}

/** Files that were made right, and that the lab would still refuse. */
export function TooLarge({ files, mostMb, quality, onQuality }: TooLargeProps) {
  const largest = Math.max(...files.map((f) => f.bytes)) / 1e6;
  const lower = quality && Math.max(leastQuality, Math.round(quality * 100 - 5) / 100);
  return (
    <Box role="alert" mt="4" bg="saffron.100" color="saffron.700" borderRadius="soft" px="4" py="3">
      <Text fontWeight="600">{words.tooLarge(files.length, mostMb)}</Text>
      <Text mt="1" fontSize="14px" wordBreak="break-word">
        {words.tooLargeLead(files[0]!.name, files.length, formats.number(largest, 1))}
      </Text>
      {lower && (
        <Button size="sm" variant="outline" mt="2" onClick={() => onQuality(lower)}>
          {words.lowerQuality(Math.round(lower * 100))}
        </Button>
      )}
    </Box>
  );
}

/** Each file that could not be made, by its name, with its reason. */
function Refused({ refused, of }: { readonly refused: SendState["refused"]; readonly of: number }) {
  return (
    <>
      <Text>{words.refused(refused.length, of)}</Text>
      {refused.slice(0, mostTold).map(({ name, code, message }) => (
        <Text key={name} mt="1" fontSize="14px" wordBreak="break-word">
          {name}: {printTrouble(code, message)}
        </Text>
      ))}
    </>
  );
}

const mostTold = 4;

interface SendEndProps {
  readonly state: SendState;
  /** Of a file that is made of pixels. */
  readonly size: { readonly widthPx: number; readonly heightPx: number } | undefined;
  readonly ppi: number;
  readonly colour: PrintColour;
  /** Once more, in another way. */
  readonly onAgain?: (how: Pick<SendOrder, "replaces" | "withoutRefused">) => void;
}

/** How it ended the last time. */
export function SendEnd({ state, size, ppi, colour, onAgain }: SendEndProps) {
  if (state.is === "saved")
    return (
      <Box role="status" mt="4" bg="moss.100" color="moss.700" borderRadius="soft" px="4" py="3" data-testid="saved">
        <HStack fontWeight="600">
          <CircleCheck size={19} aria-hidden />
          {words.saved}
        </HStack>
        <Text mt="1" wordBreak="break-word">
          {words.savedLead(state.names)}
        </Text>
        <Text mt="1" fontSize="14px" fontVariantNumeric="tabular-nums">
          {size
            ? words.savedFacts(
                size.widthPx,
                size.heightPx,
                ppi,
                words.colourNames[colour],
                formats.number(state.bytes / 1e6, 1),
              )
            : words.savedWhole(formats.number(state.bytes / 1e6, 1))}
        </Text>
      </Box>
    );
  if (state.is !== "stopped" && state.is !== "failed") return null;
  const { failure, refused, names } = state;
  const done = state.done;
  return (
    <Box role="alert" mt="4" fontWeight="500" color={failure ? "clay.600" : "fg.muted"}>
      {refused.length > 0 ? (
        <Refused refused={refused} of={names.length} />
      ) : (
        <Text>{failure ? printTrouble(failure.code, failure.message) : words.cancelled}</Text>
      )}
      {failure && done > 0 && failure.code !== "folderHas" && (
        <Text mt="1" color="ink.900">
          {words.doneKept(done, names.length)}
        </Text>
      )}
      {failure?.code === "folderHas" && onAgain && (
        <Button size="sm" variant="outline" mt="2" onClick={() => onAgain({ replaces: true })}>
          {words.writeOver}
        </Button>
      )}
      {refused.length > 0 && done > 0 && onAgain && (
        <Button size="sm" variant="outline" mt="2" onClick={() => onAgain({ withoutRefused: true })}>
          {words.saveOthers(done)}
        </Button>
      )}
    </Box>
  );
}
