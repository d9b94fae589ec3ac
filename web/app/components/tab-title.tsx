import { useLocation } from "react-router";
import { tabTitle } from "../../text/index.ts";

/** Names the browser's tab by the place and the project. */
export function TabTitle({ project }: { readonly project?: string }) {
  const [, first, , inProject] = useLocation().pathname.split("/");
  const place = inProject ?? first ?? "";
  return <title>{tabTitle(place, project)}</title>;
}
