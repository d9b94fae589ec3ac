/** Whether a file is a project by its name. */
export const isProjectFile = (name: string): boolean => /\.tessip(\.zip)?$/i.test(name);
