export class PrintError extends Error {
  readonly code: "photoUnreadable" | "tooLargeHere" | "fileWrong" | "fontMissing" | "tooLargeForKind";
  constructor(code: PrintError["code"], message: string) {
    super(message);
    this.code = code;
  }
}
