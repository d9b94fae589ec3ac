import { chakra, Text } from "@chakra-ui/react";
import { Check, CircleAlert, FolderCheck, LoaderCircle } from "lucide-react";
import { lazy, Suspense, useEffect, useReducer, useState } from "react";
import { useStore } from "zustand";
import type { Keeping } from "../../storage/keeping.ts";
import { ago, formats, keeping as words } from "../../text/index.ts";
import { useServices } from "../services.ts";
import type { ProjectSession, ProjectState } from "../state/session/project-session.ts";
import { Tooltip } from "./tooltip.tsx";

const SafeFolderDialog = lazy(() => import("./safe-folder.tsx").then((m) => ({ default: m.SafeFolderDialog })));

/** Where everything is kept and since when; opens all that can be done about it. */
export function KeptButton({ session }: { readonly session?: ProjectSession }) {
  const { keeping } = useServices();
  if (session) return <OfProject session={session} keeping={keeping} />;
  return keeping ? <Shown keeping={keeping} state={undefined} /> : null;
}

function OfProject({ session, keeping }: { readonly session: ProjectSession; readonly keeping: Keeping | undefined }) {
  const state = useCalmKeeping(session);
  if (!keeping) return <Face words={plainWords(state)} state={state} inFolder={undefined} onOpen={undefined} />;
  return <Shown keeping={keeping} state={state} />;
}

const calmMs = 120;

/** That something is being kept, or could not be, at once; that all is kept when it has been so for a moment, or it would flicker with each letter that is typed. */
function useCalmKeeping(session: ProjectSession): ProjectState["keeping"] {
  const [said, say] = useState(session.state.getState().keeping);
  useEffect(() => {
    let calm: ReturnType<typeof setTimeout> | undefined;
    const hear = (now: ProjectState["keeping"]) => {
      clearTimeout(calm);
      if (now.is === "kept") calm = setTimeout(() => say(now), calmMs);
      else say((before) => (before.is === "keeping" && now.is === "keeping" ? before : now));
    };
    hear(session.state.getState().keeping);
    const stop = session.state.subscribe((now, before) => now.keeping !== before.keeping && hear(now.keeping));
    return () => {
      clearTimeout(calm);
      stop();
    };
  }, [session]);
  return said;
}

const plainWords = (state: ProjectState["keeping"]): string =>
  state.is === "kept"
    ? words.kept(formats.clock(state.at))
    : state.is === "keeping"
      ? words.keeping
      : words.failed[state.code];

function Shown({ keeping, state }: { readonly keeping: Keeping; readonly state: ProjectState["keeping"] | undefined }) {
  const folder = useStore(keeping.folderState);
  const [open, setOpen] = useState(false);
  const [, tick] = useReducer((n: number) => n + 1, 0);
  useEffect(() => {
    const timer = setInterval(tick, 30_000);
    return () => clearInterval(timer);
  }, []);
  const { name, keptAt } = folder;
  const inFolder = name !== undefined && keptAt ? words.keptIn(name, ago(keptAt, Date.now())) : undefined;
  const own = state ? plainWords(state) : words.keptHere;
  const said = state && state.is !== "kept" ? own : (inFolder ?? own);
  return (
    <>
      <Face
        words={said}
        state={state}
        inFolder={folder.is === "none" ? undefined : folder.is}
        onOpen={() => setOpen(true)}
      />
      {open && (
        <Suspense>
          <SafeFolderDialog keeping={keeping} onClose={() => setOpen(false)} />
        </Suspense>
      )}
    </>
  );
}

interface FaceProps {
  readonly words: string;
  readonly state: ProjectState["keeping"] | undefined;
  readonly inFolder: string | undefined;
  readonly onOpen: (() => void) | undefined;
}

function Face({ words: said, state, inFolder, onOpen }: FaceProps) {
  const failed = state?.is === "failed" || inFolder === "trouble";
  const Icon = failed ? CircleAlert : state?.is === "keeping" ? LoaderCircle : inFolder ? FolderCheck : Check;
  const short = !state ? undefined : state.is === "kept" ? formats.clock(state.at) : state.is === "keeping" ? "…" : "!";
  return (
    <Tooltip words={said}>
      <chakra.button
        type="button"
        display="flex"
        alignItems="center"
        gap="1"
        h="36px"
        px="2"
        color={failed ? "clay.600" : "fg.subtle"}
        fontSize="13.5px"
        borderRadius="soft"
        fontVariantNumeric="tabular-nums"
        cursor={onOpen ? "pointer" : "default"}
        _hover={{ bg: "oat.200" }}
        aria-label={`${words.where}: ${said}`}
        data-keeping={state?.is ?? "kept"}
        onClick={onOpen}
      >
        <Icon size={16} aria-hidden />
        {/* As wide as the time from the start, so that the buttons beside it stay under the pointer. */}
        <chakra.span display="inline-grid" justifyItems="start">
          {short !== undefined && (
            <chakra.span aria-hidden visibility="hidden" gridArea="1 / 1">
              {formats.clock(new Date().toISOString())}
            </chakra.span>
          )}
          <chakra.span gridArea="1 / 1">{short ?? said}</chakra.span>
        </chakra.span>
        <Text as="span" role="status" srOnly>
          {said}
        </Text>
      </chakra.button>
    </Tooltip>
  );
}
