/** Built by `scripts/reader-program.ts`. */
declare module "virtual:reader-program" {
  export const script: string;
  export const style: string;
}
