import { layersOfStack } from "#core/drawings";
import { type LayerPhoto, layersOnPage } from "#core/edit";
import { listZip } from "#core/files";
import { bytesOf, contentOf } from "../../../storage/zip-entry.ts";
import { drawings as words } from "../../../text/index.ts";
import { notices } from "../../notices/notices.ts";
import type { Services } from "../../services.ts";
import { openPlaced, type ProjectSession } from "../session/project-session.ts";

const mostStackBytes = 1_000_000;

/** The layers of an OpenRaster picture as tiles of the open page; their pictures come into the library as ornaments, which keep what shows through them. */
export async function takeLayers(
  { library, viewState, newId }: Pick<Services, "library" | "viewState" | "newId">,
  session: ProjectSession,
  file: File,
): Promise<void> {
  const say = (title: string, type: "error" | "info") => notices.create({ title, type, duration: 12_000 });
  const entries = await listZip((from, to) => bytesOf(file, from, to), file.size).catch(() => []);
  const byPath = new Map(entries.map((e) => [e.path, e]));
  const stack = byPath.get("stack.xml");
  const text =
    stack && stack.bytes < mostStackBytes
      ? await contentOf(file, stack).then(
          (b) => b.text(),
          () => "",
        )
      : "";
  const { parsedElement } = await import("../../../pictures/read-svg.ts");
  const root = parsedElement(text);
  const picture = root && layersOfStack(root);
  if (!picture || picture.layers.length === 0) return void say(words.noLayers(file.name), "error");
  const come = await Promise.all(
    picture.layers.map(async (layer, i): Promise<LayerPhoto | undefined> => {
      const entry = byPath.get(layer.src);
      if (!entry || !/\.png$/i.test(layer.src)) return undefined;
      const name = `${layer.name || `Layer ${i + 1}`}.png`.replace(/[\\/]/g, "-");
      const open = async () => new File([await contentOf(file, entry)], name, { type: "image/png" });
      const [photoId] = await library.bringIn([{ name, open }], "ornaments");
      const photo = library.state.getState().byId.get(photoId ?? "");
      return photo && { ...layer, photoId: photo.id, widthPx: photo.widthPx, heightPx: photo.heightPx };
    }),
  );
  const layers = come.filter((l) => l !== undefined);
  const left = picture.layers.length - layers.length;
  if (layers.length === 0) return void say(words.noLayers(file.name), "error");
  const laid = layersOnPage(openPlaced(session.state.getState()), picture, layers, newId);
  if (!laid.ok) return void say(words.tooManyLayers(layers.length, Number(laid.facts.most)), "error");
  const { page, tileIds } = laid.value;
  const done = session.commit({ code: "tookLayers", count: tileIds.length }, [{ type: "replacePage", page }]);
  if (!done.ok) return;
  viewState.setState({ tiles: { ids: new Set(tileIds), anchor: tileIds[0] } });
  say(`${words.tookLayers(layers.length)}${left > 0 ? ` ${words.layersLeft(left)}` : ""}`, "info");
}
