import { useLocation } from "react-router";
import { tabTitle } from "../../text/index.ts";

/** Names the browser's tab by the place and the project. */
export function TabTitle({ project }: { readonly project?: string }) {
  const place = useLocation().pathname.split("/").at(-1) ?? "";
  return <title>{tabTitle(place, project)}</title>;
}
