export { bookRulesSchema } from "./book.ts";
export { labCardSchema } from "./card.ts";
export { type CardIssue, cardIssues, cardText, plainCard, readCardFile } from "./card-file.ts";
export { orderSchema, packetSchema } from "./packet.ts";
export { pageFormatSchema } from "./page-format.ts";
