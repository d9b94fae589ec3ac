import { createStore } from "zustand/vanilla";
import { type Choice, nothingChosen } from "./choose.ts";

export type MatTone = "light" | "grey" | "dark";

/** What lies on the desk at this moment and is no part of the project: choices, the open tile, the mat. */
export interface DeskState {
  readonly photos: Choice;
  readonly tiles: Choice;
  /** The tile that is being reframed. */
  readonly reframing: string | undefined;
  readonly mat: MatTone;
  readonly cutLines: boolean;
}

export const createDesk = () =>
  createStore<DeskState>(() => ({
    photos: nothingChosen,
    tiles: nothingChosen,
    reframing: undefined,
    mat: "light",
    cutLines: true,
  }));

export type Desk = ReturnType<typeof createDesk>;
