export type { LabCard, PrintSize } from "./schema/card.ts";
