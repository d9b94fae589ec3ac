import { useEffect, useRef, useState } from "react";
import { notices } from "../../notices/notices.ts";
import { Working } from "./working.tsx";

interface MakingProps {
  readonly title: string;
  /** Makes it and says how that went. */
  readonly make: (doing: {
    readonly signal: AbortSignal;
    readonly onProgress: (share: number) => void;
  }) => Promise<void>;
  /** What is said when it could not be made. */
  readonly failed: (e: unknown) => string;
  /** What is said when a person stopped it. */
  readonly stopped: string;
  readonly onClose: () => void;
}

/** A file that is being made: begun when it is shown, and ended where it can no longer be seen. */
export function Making({ title, make, failed, stopped, onClose }: MakingProps) {
  const [share, setShare] = useState(0);
  const stop = useRef<AbortController>(undefined);
  const given = useRef({ make, failed, onClose });
  useEffect(() => {
    const abort = new AbortController();
    stop.current = abort;
    const { make: begin, failed: why, onClose: close } = given.current;
    void begin({ signal: abort.signal, onProgress: setShare })
      .catch((e: unknown) => {
        if (!abort.signal.aborted) notices.create({ title: why(e), type: "error", duration: 20_000 });
      })
      .finally(() => !abort.signal.aborted && close());
    return () => abort.abort();
  }, []);
  return (
    <Working
      title={title}
      share={share}
      onStop={() => {
        stop.current?.abort();
        notices.create({ title: stopped, type: "info" });
        onClose();
      }}
    />
  );
}
