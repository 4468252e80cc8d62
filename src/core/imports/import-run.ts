import type { ImportKind } from './fields.ts';

/** From reading a file into its own table, over the dry run, to taken over; or taken back, and the other ends. */
export type ImportState = 'reading' | 'checked' | 'applying' | 'takingBack' | 'done' | 'cancelled' | 'failed';

/** A row that was not taken. What stood in it is not kept. */
export interface Rejection {
  line: number;
  column: string;
  reason: string;
}

/** One import of a file, as server and views tell each other. */
export interface ImportRun {
  id: number;
  kind: ImportKind;
  fileName: string;
  fileBytes: number;
  state: ImportState;
  bytesRead: number;
  rowsRead: number;
  /** orders or products that stand ready */
  staged: number;
  fresh: number;
  changed: number;
  same: number;
  /** rows */
  rejected: number;
  /** amounts with more decimals than their currency, which were rounded */
  rounded: number;
  applied: number;
  problem: string;
  /** ISO 8601, UTC */
  madeAt: string;
  /** the first of the rejected rows; lists leave them out */
  rejections?: Rejection[];
}
