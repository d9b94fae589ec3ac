import { Button } from "@chakra-ui/react";
import { common } from "../../../text/index.ts";
import { Dialog } from "../dialog.tsx";
import { ProgressBar } from "../progress-bar.tsx";

interface WorkingProps {
  readonly title: string;
  /** 0 to 1. */
  readonly share: number;
  readonly onStop: () => void;
}

/** Work that takes its time: how far it is, and a way to stop it. */
export function Working({ title, share, onStop }: WorkingProps) {
  return (
    <Dialog
      title={title}
      widthPx={420}
      onClose={onStop}
      foot={
        <Button variant="outline" onClick={onStop}>
          {common.stop}
        </Button>
      }
    >
      <ProgressBar label={title} value={Math.round(share * 100)} />
    </Dialog>
  );
}
