import { Box, Flex, Heading } from "@chakra-ui/react";
import { memo, useEffect, useState } from "react";
import { exifThumbnail } from "#core/files";
import { orientationMatrix, orientationOf } from "#core/photo";
import { photos as words } from "../../../text/index.ts";
import type { IncomingFile } from "../../state/library/library-state.ts";
import { useLibrary } from "../../state/session/hooks.ts";
import css from "./waiting.module.css";

/** Files that were let go a moment ago: the small picture that a camera put inside, or the name, until they are in. */
export function Waiting() {
  const waiting = useLibrary((s) => s.incoming?.waiting);
  if (!waiting || waiting.length === 0) return null;
  return (
    <Box mt="4">
      <Heading as="h2" fontSize="17px" fontWeight="560" mb="2">
        {words.waitingFor}
      </Heading>
      <Flex gap="8px" wrap="wrap">
        {waiting.map((file) => (
          <WaitingFile key={keyOf(file)} file={file} />
        ))}
      </Flex>
    </Box>
  );
}

/** Two files may have one name. */
function keyOf(file: IncomingFile): number {
  const known = keys.get(file) ?? ++lastKey;
  keys.set(file, known);
  return known;
}
const keys = new WeakMap<IncomingFile, number>();
let lastKey = 0;

const WaitingFile = memo(function WaitingFile({ file }: { readonly file: IncomingFile }) {
  const [inside, setInside] = useState<{ readonly url: string; readonly turn: string }>();
  useEffect(() => {
    let url: string | undefined;
    let left = false;
    const look = async () => {
      const head = await file.head?.().catch(() => undefined);
      const found = head && exifThumbnail(head);
      if (left || !found) return;
      url = URL.createObjectURL(new Blob([found.jpeg.slice()], { type: "image/jpeg" }));
      const m = orientationMatrix(orientationOf(found.orientation));
      setInside({ url, turn: `matrix(${m.a}, ${m.b}, ${m.c}, ${m.d}, 0, 0)` });
    };
    void look();
    return () => {
      left = true;
      if (url) URL.revokeObjectURL(url);
    };
  }, [file]);
  return (
    <div className={inside ? `${css.file} ${css.seen}` : css.file} data-testid="waiting">
      {inside ? <img src={inside.url} alt={file.name} style={{ transform: inside.turn }} /> : file.name}
    </div>
  );
});
