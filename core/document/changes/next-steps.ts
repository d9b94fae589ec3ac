import type { History, StepName } from "./history.ts";

/** What would be undone and redone next, by name. By itself, since every screen shows it and few change anything. */
export const nextUndo = (h: History): StepName | undefined => h.steps[h.done - 1]?.name;
export const nextRedo = (h: History): StepName | undefined => h.steps[h.done]?.name;
