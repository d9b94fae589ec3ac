import { useEffect, useState } from "react";
import type { PreviewSize } from "../../storage/store.ts";
import { useKit } from "../kit.ts";
import { useLibrary } from "../state/hooks.ts";

/** A photo's preview as an image, filling the box it is in. */
export function PhotoThumb({
  photoId,
  size = "small",
  fit = "cover",
}: {
  readonly photoId: string;
  readonly size?: PreviewSize;
  readonly fit?: "cover" | "contain";
}) {
  const { urls } = useKit();
  // Another file in the same photo's place has another picture.
  const hash = useLibrary((s) => s.byId.get(photoId)?.hash);
  const [url, setUrl] = useState<string>();
  // biome-ignore lint/correctness/useExhaustiveDependencies: the hash stands for the picture
  useEffect(() => {
    let left = false;
    void urls.get(photoId, size).then((u) => {
      if (!left) setUrl(u);
    });
    return () => {
      left = true;
    };
  }, [photoId, size, urls, hash]);
  return url ? (
    <img
      src={url}
      alt=""
      draggable={false}
      style={{ width: "100%", height: "100%", objectFit: fit, display: "block" }}
    />
  ) : null;
}
