import { type QueryClient, useQuery } from "@tanstack/react-query";
import { z } from "zod";
import type { LabCard } from "#core/lab";
import { labCardSchema } from "#core/lab/schema";
import type { Store } from "../../../storage/store.ts";
import { useServices } from "../../services.ts";

const answerSchema = z.object({ cards: z.array(labCardSchema) });

export const labsKey = ["labs"] as const;

async function handedOut(): Promise<readonly LabCard[]> {
  const answer = await fetch("/lab/cards");
  if (!answer.ok) throw new Error(`lab cards: ${answer.status}`);
  return answerSchema.parse(await answer.json()).cards;
}

/** The cards that the server hands out, and one's own. Without the server those of one's own are enough, where there are some. */
export async function fetchLabs(store: Pick<Store, "labs">): Promise<readonly LabCard[]> {
  const own = await store.labs();
  const given = await handedOut().catch((e: unknown) => {
    if (own.length === 0) throw e;
    return [];
  });
  return [...given, ...own];
}

const forTab = { staleTime: Number.POSITIVE_INFINITY, gcTime: Number.POSITIVE_INFINITY } as const;

/** They stay for as long as this tab is open, or until one of one's own changes. */
export function useLabs() {
  const { store } = useServices();
  return useQuery({ queryKey: labsKey, ...forTab, queryFn: () => fetchLabs(store) });
}

/** A card of one's own, kept in this browser; one with the same id is replaced. */
export async function keepLab(store: Pick<Store, "putLab">, queries: QueryClient, card: LabCard): Promise<void> {
  await store.putLab(card);
  await queries.invalidateQueries({ queryKey: labsKey });
}

export async function dropLab(store: Pick<Store, "removeLab">, queries: QueryClient, labId: string): Promise<void> {
  await store.removeLab(labId);
  await queries.invalidateQueries({ queryKey: labsKey });
}
