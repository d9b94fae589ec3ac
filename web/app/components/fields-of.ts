import { createContext, useContext } from "react";

/** What the fields of a panel are about: with another one they begin anew, and what was half typed or refused is gone, though the fields stay where they are. */
export const FieldsOf = createContext("");
export const useFieldsOf = (): string => useContext(FieldsOf);
