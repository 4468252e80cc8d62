/** One thing wrong with a document: where (JSON Pointer) and what would be accepted. */
export interface PolicyFault {
  pointer: string;
  message: string;
}
