/** Code units of a project's name. */
export const mostNameLength = 120;
