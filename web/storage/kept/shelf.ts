import type { LabCard } from "#core/lab";
import { labCardSchema } from "#core/lab/schema";
import type { Template } from "#core/templates";
import { templateSchema } from "#core/templates/schema";
import { fontType, type OwnFont } from "#core/words";
import { ownFontSchema } from "#core/words/schema";
import { drop, put } from "../save-changes.ts";
import type { ShelfStore } from "../store.ts";
import type { KeptStoreDeps } from "./deps.ts";

/** What is one's own and serves every work: templates, lab cards, fonts. */
export function keptShelf(deps: KeptStoreDeps): ShelfStore {
  return {
    async templates() {
      return (await (await deps.tables()).all("templates")).flatMap((t) => templateSchema.safeParse(t).data ?? []);
    },

    async putTemplates(templates: readonly Template[]) {
      await deps.writer.commit(templates.map((t) => put("templates", t)));
    },

    async removeTemplate(templateId: string) {
      await deps.writer.commit([drop("templates", templateId)]);
    },

    async favourites() {
      return ((await (await deps.tables()).get("favourites", "templates")) ?? []) as readonly string[];
    },

    async keepFavourites(templateIds: readonly string[]) {
      await deps.writer.commit([{ store: "favourites", key: "templates", value: templateIds }]);
    },

    async labs() {
      return (await (await deps.tables()).all("labs")).flatMap((c) => labCardSchema.safeParse(c).data ?? []);
    },

    async putLab(card: LabCard) {
      await deps.writer.commit([put("labs", card)]);
    },

    async removeLab(labId: string) {
      await deps.writer.commit([drop("labs", labId)]);
    },

    async fonts() {
      return (await (await deps.tables()).all("fonts")).flatMap((f) => ownFontSchema.safeParse(f).data ?? []);
    },

    async putFont(font: OwnFont, file?: { readonly hash: string; readonly file: Blob }) {
      if (file) await deps.originals.keep({ id: file.hash, hash: file.hash }, file.file);
      await deps.writer.commit([put("fonts", font)]);
    },

    fontFile(hash: string) {
      return deps.originals.get({ id: hash, hash, type: fontType });
    },
  };
}
