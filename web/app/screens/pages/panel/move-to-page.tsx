import { pageCount, pagesBefore } from "#core/document";
import { work as words } from "../../../../text/index.ts";
import { Select } from "../../../components/select.tsx";
import { useServices } from "../../../services.ts";
import { movePhotosTo } from "../../../state/edit/page-breaks.ts";
import { usePanel, useSession } from "../../../state/session/hooks.ts";
import { nothingChosen } from "../../../state/view-state/choose.ts";

/** The chosen photos onto another page of the work. */
export function MoveToPage({ tileIds }: { readonly tileIds: readonly string[] }) {
  const services = useServices();
  const session = useSession();
  const pages = usePanel((s) => s.project.pages);
  const open = usePanel((s) => s.pageId);
  if (pageCount(pages) < 2 || !pages.some((p) => p.id === open)) return null;
  const before = pagesBefore(pages);
  const options = pages.flatMap((p, i) => (p.id === open ? [] : [[p.id, words.moveToPage(before[i]! + 1)] as const]));
  return (
    <Select
      label={words.moveTo}
      value=""
      options={[["", words.moveTo], ...options]}
      onChoose={(pageId) => {
        if (pageId === "") return;
        movePhotosTo(services, session, tileIds, pageId);
        services.viewState.setState({ tiles: nothingChosen });
      }}
    />
  );
}
