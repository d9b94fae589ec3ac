/** Where a page number stands at the foot of a page of a book. */
export const numberPlaces = ["outer", "middle", "inner"] as const;
