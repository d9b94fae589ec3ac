import { Button } from "@chakra-ui/react";
import type { ReactNode } from "react";
import { common } from "../../text/index.ts";
import { Dialog } from "./dialog.tsx";

interface ConfirmDialogProps {
  readonly title: string;
  readonly doIt: string;
  readonly able?: boolean;
  readonly onDo: () => void;
  readonly onClose: () => void;
  /** Said of something that is done already: no way back but undoing it. */
  readonly told?: boolean;
  readonly children: ReactNode;
}

/** A question with one thing to do and a way out. */
export function ConfirmDialog({ title, doIt, able = true, onDo, onClose, told, children }: ConfirmDialogProps) {
  return (
    <Dialog
      title={title}
      widthPx={520}
      onClose={onClose}
      foot={
        <>
          {!told && (
            <Button variant="outline" onClick={onClose}>
              {common.cancel}
            </Button>
          )}
          <Button disabled={!able} onClick={onDo}>
            {doIt}
          </Button>
        </>
      }
    >
      {children}
    </Dialog>
  );
}
