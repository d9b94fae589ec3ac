import { useQuery } from "@tanstack/react-query";
import { z } from "zod";
import { labCardSchema } from "#core/lab";

const answerSchema = z.object({ cards: z.array(labCardSchema) });

export const labsKey = ["labs"] as const;

export async function fetchLabs() {
  const answer = await fetch("/lab/cards");
  if (!answer.ok) throw new Error(`lab cards: ${answer.status}`);
  return answerSchema.parse(await answer.json()).cards;
}

/** The lab cards that the server hands out. They stay for as long as this tab is open. */
export const useLabs = () =>
  useQuery({
    queryKey: labsKey,
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: Number.POSITIVE_INFINITY,
    queryFn: fetchLabs,
  });
