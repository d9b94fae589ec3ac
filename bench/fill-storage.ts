/**
 * Runs in the page. Years of photos in days of forty, every tenth in a burst with the one before; with originals of so
 * many bytes where that is asked for.
 */
export async function fillStorage([n, originalBytes]: readonly [photos: number, originalBytes: number]): Promise<void> {
  const canvas = new OffscreenCanvas(300, 200);
  const ctx = canvas.getContext("2d")!;
  const db = await new Promise<IDBDatabase>((done, failed) => {
    const request = indexedDB.open("tessip");
    request.onsuccess = () => done(request.result);
    request.onerror = () => failed(request.error);
  });
  const blobs: Blob[] = [];
  for (let i = 0; i < 40; i += 1) {
    ctx.fillStyle = `hsl(${i * 9} 50% 60%)`;
    ctx.fillRect(0, 0, 300, 200);
    blobs.push(await canvas.convertToBlob({ type: "image/jpeg" }));
  }
  const hashes: string[] = [];
  for (let i = 0; originalBytes > 0 && i < n; i += 1) {
    // A small picture with its own number and a long tail behind it: as large as a camera's, and quickly decoded.
    const tail = new Uint8Array(originalBytes - blobs[i % 40]!.size).fill(i % 251);
    new DataView(tail.buffer).setUint32(0, i);
    const original = new Blob([blobs[i % 40]!, tail], { type: "image/jpeg" });
    const digest = new Uint8Array(await crypto.subtle.digest("SHA-256", await original.arrayBuffer()));
    hashes.push([...digest].map((b) => b.toString(16).padStart(2, "0")).join(""));
    const put = db.transaction("originals", "readwrite");
    put.objectStore("originals").put(original, `p${i}`);
    await new Promise((done) => {
      put.oncomplete = done;
    });
  }
  const tx = db.transaction(["photos", "previews"], "readwrite");
  for (let i = 0; i < n; i += 1) {
    const at = new Date(Date.UTC(2020, 0, 1 + Math.floor(i / 40) * 14, 9, 0, (i % 40) * 90 - (i % 10 === 0 ? 0 : 1)));
    const look = [...crypto.getRandomValues(new Uint8Array(8))].map((b) => b.toString(16).padStart(2, "0")).join("");
    tx.objectStore("photos").put({
      id: `p${i}`,
      name: `DSC_${i}.jpg`,
      type: "image/jpeg",
      sizeBytes: originalBytes || 1,
      hash: hashes[i] ?? i.toString(16).padStart(64, "0"),
      widthPx: i % 3 ? 3000 : 2000,
      heightPx: i % 3 ? 2000 : 3000,
      takenAt: at.toISOString().slice(0, 19),
      takenFrom: "exif",
      offsetMinutes: null,
      foundTime: null,
      camera: "",
      caption: i % 7 ? "" : "By the lock",
      stars: 0,
      hidden: false,
      removed: false,
      section: "photos",
      pile: "auto",
      likeness: { look, tint: "808080", detail: i % 90 },
      focus: { faces: [], point: { x: 0.5, y: 0.5 }, from: "interest" },
      addedAt: at.toISOString(),
    });
    tx.objectStore("previews").put(blobs[i % 40], `p${i}/small`);
  }
  await new Promise((done) => {
    tx.oncomplete = done;
  });
  // At the next start the journal takes over what it has not heard of, so that it is as long as in life.
  const meta = db.transaction("meta", "readwrite");
  meta.objectStore("meta").delete("applied");
  await new Promise((done) => {
    meta.oncomplete = done;
  });
  db.close();
}
