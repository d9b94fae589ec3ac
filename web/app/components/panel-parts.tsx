import { Box, Heading } from "@chakra-ui/react";
import { ChevronDown, ChevronRight, type LucideIcon } from "lucide-react";
import { type CSSProperties, type ReactNode, useEffect, useId, useRef, useState } from "react";
import css from "./panel-parts.module.css";

export function PanelTitle({ children }: { readonly children: ReactNode }) {
  return (
    <Heading as="h2" fontSize="20px" fontWeight="540" mb="3">
      {children}
    </Heading>
  );
}

interface PanelSectionProps {
  readonly title?: string;
  /** Under this name it is remembered whether a person folded it away. */
  readonly folds?: string;
  /** Folded until somebody opens it. */
  readonly folded?: boolean;
  readonly children: ReactNode;
}

export function PanelSection({ title, folds, folded = false, children }: PanelSectionProps) {
  const [shut, setShut] = useFolded(folds, folded);
  const id = useId();
  return (
    <Box
      as="section"
      py={shut ? "0.5" : "1.5"}
      borderTopWidth="1px"
      borderColor="oat.200"
      _first={{ borderTopWidth: 0, pt: 0 }}
    >
      {title && (
        <Heading as="h3" fontFamily="body" fontSize="14px" fontWeight="600" mb={shut ? "0" : "1"} letterSpacing="0">
          {folds === undefined ? (
            title
          ) : (
            <button
              type="button"
              className={css.fold}
              aria-expanded={!shut}
              aria-controls={id}
              onClick={() => setShut(!shut)}
            >
              {title}
              {shut ? <ChevronRight size={16} aria-hidden /> : <ChevronDown size={16} aria-hidden />}
            </button>
          )}
        </Heading>
      )}
      {!shut && <div id={id}>{children}</div>}
    </Box>
  );
}

const foldedKey = "tessip-folded";

/** Which sections a person folded or opened, as this browser remembers it. */
function remembered(): Record<string, boolean> {
  try {
    const read: unknown = JSON.parse(localStorage.getItem(foldedKey) ?? "{}");
    return typeof read === "object" && read !== null ? (read as Record<string, boolean>) : {};
  } catch {
    return {};
  }
}

function useFolded(name: string | undefined, first: boolean): [shut: boolean, set: (shut: boolean) => void] {
  const [shut, setShut] = useState(() => (name === undefined ? false : (remembered()[name] ?? first)));
  const set = (next: boolean) => {
    setShut(next);
    try {
      localStorage.setItem(foldedKey, JSON.stringify({ ...remembered(), [name ?? ""]: next }));
    } catch {
      // A browser that keeps nothing forgets it with the tab.
    }
  };
  return [shut, set];
}

interface BeadProps {
  readonly label: string;
  readonly value: number;
  readonly most: number;
  readonly least?: number;
  readonly step: number;
  /** While it is being dragged. */
  readonly onMove: (value: number) => void;
  /** When it is let go. */
  readonly onEnd: (value: number) => void;
}

const settledMs = 1000;

/** A slider without a number of its own; the field beside it has that. */
export function Bead({ label, value, most, least = 0, step, onMove, onEnd }: BeadProps) {
  const input = useRef<HTMLInputElement>(null);
  // What is kept follows later; a value that was set back meanwhile would be what the next movement starts from.
  const [moving, setMoving] = useState<number>();
  const letGo = useRef<ReturnType<typeof setTimeout>>(undefined);
  useEffect(() => {
    setMoving((was) => (was !== undefined && Math.abs(was - value) < step / 2 ? undefined : was));
  }, [value, step]);
  const now = Math.min(most, Math.max(least, moving ?? value));
  // React tells every movement as a change; the browser's own event is the one at the end.
  useEffect(() => {
    const el = input.current;
    const end = () => {
      onEnd(Number(el!.value));
      // Where it was refused, or held within other limits, that is shown after a moment.
      clearTimeout(letGo.current);
      letGo.current = setTimeout(() => setMoving(undefined), settledMs);
    };
    el?.addEventListener("change", end);
    return () => el?.removeEventListener("change", end);
  }, [onEnd]);
  return (
    <input
      ref={input}
      type="range"
      className={css.bead}
      style={{ "--share": most > least ? (now - least) / (most - least) : 0 } as CSSProperties}
      aria-label={label}
      min={least}
      max={most}
      step={step}
      value={now}
      onChange={(e) => {
        clearTimeout(letGo.current);
        setMoving(Number(e.target.value));
        onMove(Number(e.target.value));
      }}
    />
  );
}

interface ActProps {
  readonly icon: LucideIcon;
  readonly name: string;
  readonly pressed?: boolean;
  /** Takes its part of the row. */
  readonly grows?: boolean;
  readonly disabled?: boolean;
  readonly onAct: () => void;
}

/** A small thing to do, told by its picture and, on hover and focus, by its name. Plain elements: a panel holds dozens of them. */
export const Act = ({ icon: Icon, name, pressed, grows, disabled, onAct }: ActProps) => (
  <button
    type="button"
    className={grows ? `${css.act} ${css.grows}` : css.act}
    title={name}
    aria-label={name}
    aria-pressed={pressed}
    disabled={disabled}
    onClick={onAct}
  >
    <Icon size={17} aria-hidden />
  </button>
);

/** How a button looks that stays pressed. */
export const pressedLook = (pressed: boolean | undefined) =>
  pressed ? ({ bg: "glaze.50", borderColor: "glaze.500", color: "glaze.700" } as const) : {};
