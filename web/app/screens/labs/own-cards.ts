import type { LabCard } from "#core/lab";

/** In front of the ids of cards of one's own. */
export const ownMark = "own-";
export const isOwnCard = ({ id }: Pick<LabCard, "id">): boolean => id.startsWith(ownMark);
