import { Button, Text } from "@chakra-ui/react";
import { useEffect, useRef } from "react";
import { common, book as words } from "../../text/index.ts";
import { useServices } from "../services.ts";
import { useViewState } from "../state/session/hooks.ts";
import css from "./side-change-question.module.css";

/**
 * Asks before pages come to lie on the other side, and offers the way in which none does. It lies over the pages and
 * leaves them as they are: what it speaks of can be looked at meanwhile.
 */
export function SideChangeQuestion() {
  const { viewState } = useServices();
  const turning = useViewState((s) => s.turning);
  const card = useRef<HTMLDivElement>(null);
  const asked = turning !== undefined;
  useEffect(() => {
    if (!asked) return;
    const before = document.activeElement;
    card.current?.querySelector("button")?.focus({ preventScroll: true });
    const beside = (e: PointerEvent) => {
      if (!card.current?.contains(e.target as Node)) viewState.setState({ turning: undefined });
    };
    window.addEventListener("pointerdown", beside);
    return () => {
      window.removeEventListener("pointerdown", beside);
      if (before instanceof HTMLElement && before.isConnected) before.focus({ preventScroll: true });
    };
  }, [asked, viewState]);
  if (!turning) return null;
  const close = () => viewState.setState({ turning: undefined });
  // The question goes first: both in one task would keep the page standing still for longer.
  const take = (doIt: () => void) => () => {
    close();
    setTimeout(doIt);
  };
  return (
    <div
      ref={card}
      role="alertdialog"
      aria-labelledby="turning-title"
      aria-describedby="turning-lead"
      className={css.card}
      onKeyDown={(e) => {
        e.stopPropagation();
        if (e.key === "Escape") close();
      }}
    >
      <h2 id="turning-title" className={css.title}>
        {words.shiftTitle}
      </h2>
      <Text id="turning-lead" color="fg.muted" mb="4">
        {turning.doIt ? words.shiftLead : words.splitLead}
      </Text>
      <div className={css.ways}>
        {turning.keep && <Button onClick={take(turning.keep.doIt)}>{turning.keep.words}</Button>}
        {turning.doIt && (
          <Button variant="outline" onClick={take(turning.doIt)}>
            {words.shiftDo}
          </Button>
        )}
        <Button variant="ghost" onClick={close}>
          {common.cancel}
        </Button>
      </div>
    </div>
  );
}
