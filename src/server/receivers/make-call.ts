import { standInReceiver } from '../../contract/stand-in-receiver.ts';
import { boundedText } from '../http/bounded-text.ts';
import { isCallable } from '../http/callable-address.ts';
import { ownAddress } from '../http/guard.ts';
import type { Answered, DueCall } from './due-call.ts';
import { askedPause } from './pauses.ts';
import { signedHeaders } from './signed-call.ts';

/** How long a receiver is waited for. ms */
const longestWait = 10_000;
/** Of a receiver’s answer. Bytes */
const longestAnswer = 64 * 1024;
/** Of it so much is kept. Letters */
const mostKept = 400;

/** Where a receiver is called; null: nobody is called there. */
export function addressOf(address: string): URL | null {
  if (address === standInReceiver) return new URL(address, ownAddress());
  return isCallable(address) ? new URL(address) : null;
}

/** Calls a receiver. It has arrived where the answer is one of success; whatever else comes, a reason is said. */
export async function makeCall(due: Pick<DueCall, 'address' | 'body' | 'id' | 'secret'>): Promise<Answered> {
  const at = Date.now();
  const began = performance.now();
  const came = (more: Partial<Answered>): Answered => ({
    at,
    took: Math.round(performance.now() - began),
    status: null,
    answer: null,
    problem: null,
    pause: 0,
    ...more,
  });
  const address = addressOf(due.address);
  if (!address) return came({ problem: 'its address is not one that is called' });
  try {
    const response = await fetch(address, {
      method: 'POST',
      headers: { ...(await signedHeaders(address, due.body, due, at)), 'user-agent': 'Summant' },
      // What is told is told at the address that was given, and nowhere else.
      redirect: 'manual',
      body: due.body,
      signal: AbortSignal.timeout(longestWait),
    });
    const { ok, status, headers } = response;
    const answer = await boundedText(response, longestAnswer).then(
      // A letter of two units may be cut in two, which no database takes.
      (text) => Buffer.from(text.slice(0, mostKept)).toString(),
      () => null,
    );
    const leads = status >= 300 && status < 400 ? ', and other addresses are not followed to' : '';
    return came({
      status,
      answer,
      problem: ok ? null : `it answered with ${status}${leads}`,
      pause: askedPause(headers.get('retry-after'), at),
    });
  } catch (error) {
    const late = error instanceof Error && error.name === 'TimeoutError';
    return came({ problem: late ? `it did not answer within ${longestWait / 1000} s` : 'it could not be reached' });
  }
}
