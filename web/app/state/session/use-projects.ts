import { type QueryClient, useQuery } from "@tanstack/react-query";
import { useServices } from "../../services.ts";

const worksKey = ["works"] as const;

/** Every work in this browser as a card, read afresh wherever it is shown. */
export function useProjects() {
  const { store } = useServices();
  return useQuery({ queryKey: worksKey, queryFn: () => store.projects(), staleTime: 0 });
}

/** To be called when a work has come, gone or changed. */
export const projectsChanged = (queries: QueryClient): Promise<void> =>
  queries.invalidateQueries({ queryKey: worksKey });
