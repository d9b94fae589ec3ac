import { Box, Flex, Heading } from "@chakra-ui/react";
import { useEffect, useState } from "react";
import { exifThumbnail } from "#core/files";
import { orientationMatrix, orientationOf } from "#core/photo";
import { photos as words } from "../../../text/photos.ts";
import { useLibrary } from "../../state/hooks.ts";
import type { IncomingFile } from "../../state/library.ts";

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
        {waiting.map((file, i) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: two files may have one name
          <WaitingFile key={`${file.name} ${i}`} file={file} />
        ))}
      </Flex>
    </Box>
  );
}

const sidePx = 110;

function WaitingFile({ file }: { readonly file: IncomingFile }) {
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
    <Box
      w={`${sidePx}px`}
      h={`${sidePx}px`}
      borderRadius="thumb"
      bg="oat.200"
      borderWidth="1px"
      borderColor="oat.300"
      p={inside ? "0" : "2"}
      fontSize="12.5px"
      color="fg.subtle"
      overflow="hidden"
      wordBreak="break-all"
      opacity={inside ? 0.75 : 1}
      data-testid="waiting"
    >
      {inside ? (
        <img
          src={inside.url}
          alt={file.name}
          style={{ width: "100%", height: "100%", objectFit: "cover", transform: inside.turn }}
        />
      ) : (
        file.name
      )}
    </Box>
  );
}
