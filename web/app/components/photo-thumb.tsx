import { useEffect, useState } from "react";
import type { PreviewSize } from "../../storage/store.ts";
import { useServices } from "../services.ts";
import { useLibrary } from "../state/session/hooks.ts";

/** A photo's preview as an image, filling the box it is in; its mean colour until the picture is there. */
export function PhotoThumb({
  photoId,
  size = "small",
  fit = "cover",
}: {
  readonly photoId: string;
  readonly size?: PreviewSize;
  readonly fit?: "cover" | "contain";
}) {
  const { urls } = useServices();
  // Another file in the same photo's place has another picture.
  const hash = useLibrary((s) => s.byId.get(photoId)?.hash);
  const tint = useLibrary((s) => s.byId.get(photoId)?.likeness?.tint);
  const [url, setUrl] = useState(() => urls.known(photoId, size));
  // biome-ignore lint/correctness/useExhaustiveDependencies: the hash stands for the picture
  useEffect(() => {
    const known = urls.known(photoId, size);
    setUrl(known);
    return known === undefined ? urls.want(photoId, size, setUrl) : undefined;
  }, [photoId, size, urls, hash]);
  if (url)
    return (
      <img
        src={url}
        alt=""
        draggable={false}
        decoding="async"
        style={{ width: "100%", height: "100%", objectFit: fit, display: "block" }}
      />
    );
  return tint && fit === "cover" ? (
    <div style={{ width: "100%", height: "100%", background: `#${tint}`, opacity: 0.6 }} />
  ) : null;
}
