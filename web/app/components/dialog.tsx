import { type ReactNode, useEffect, useId, useLayoutEffect, useRef } from "react";
import { createPortal } from "react-dom";
import css from "./dialog.module.css";

interface DialogProps {
  readonly title: string;
  readonly widthPx: number;
  readonly foot?: ReactNode;
  /** By Escape, or by a click beside it. */
  readonly onClose: () => void;
  readonly children: ReactNode;
}

/**
 * Something that has to be answered before one goes on, in the browser's own dialog: it keeps the focus inside and gives
 * it back, and takes none of the page's layout to open.
 */
export function Dialog({ title, widthPx, foot, onClose, children }: DialogProps) {
  const frame = useRef<HTMLDialogElement>(null);
  const titleId = useId();
  useLayoutEffect(() => {
    const dialog = frame.current;
    dialog?.showModal();
    return () => dialog?.close();
  }, []);
  useEffect(() => {
    const dialog = frame.current;
    const beside = (e: MouseEvent) => e.target === dialog && onClose();
    const leave = (e: Event) => {
      e.preventDefault();
      onClose();
    };
    dialog?.addEventListener("mousedown", beside);
    dialog?.addEventListener("cancel", leave);
    return () => {
      dialog?.removeEventListener("mousedown", beside);
      dialog?.removeEventListener("cancel", leave);
    };
  }, [onClose]);
  return createPortal(
    <dialog
      ref={frame}
      className={css.frame}
      style={{ maxWidth: widthPx }}
      aria-labelledby={titleId}
      // The keys of the place behind it rest meanwhile.
      onKeyDown={(e) => e.stopPropagation()}
    >
      <div className={css.inner}>
        <h2 id={titleId} className={css.title}>
          {title}
        </h2>
        <div className={css.body}>{children}</div>
        {foot && <div className={css.foot}>{foot}</div>}
      </div>
    </dialog>,
    document.body,
  );
}
