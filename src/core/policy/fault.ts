/** One thing wrong with a document: where (JSON Pointer) and what would be accepted. */
export interface PolicyFault {
  pointer: string;
  message: string;
}

/** Notes something wrong. */
export type Fault = (pointer: string, message: string) => void;
