import type { ReceiverSecret } from './signed-call.ts';

/** A call that is to be made now, and by nobody else. */
export interface DueCall extends ReceiverSecret {
  call: string;
  receiver: string;
  kind: 'release' | 'test';
  address: string;
  body: string;
  tries: number;
  /** ms since 1970-01-01T00:00Z */
  madeAt: number;
}

/** What came of a call. */
export interface Answered {
  /** when it was made. ms since 1970-01-01T00:00Z */
  at: number;
  /** ms */
  took: number;
  status: number | null;
  answer: string | null;
  /** why it did not arrive; null: it did */
  problem: string | null;
  /** for so long the receiver asks to be left in peace. ms */
  pause: number;
}
