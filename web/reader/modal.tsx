import { type ReactNode, useEffect, useId, useRef } from "react";

interface ModalProps {
  readonly title: string;
  readonly onClose: () => void;
  readonly children: ReactNode;
}

/** Something to be answered first, in the browser's own dialog. */
export function Modal({ title, onClose, children }: ModalProps) {
  const frame = useRef<HTMLDialogElement>(null);
  const id = useId();
  useEffect(() => frame.current?.showModal(), []);
  return (
    <dialog ref={frame} aria-labelledby={id} onClose={onClose}>
      <h2 id={id}>{title}</h2>
      {children}
    </dialog>
  );
}
