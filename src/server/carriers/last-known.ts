import type { CarrierAnswer, CarrierRequest } from '../../contract/shapes/carrier.ts';

/** What carriers said last, so many answers at most; the oldest go first. */
const mostKept = 10_000;
const kept = new Map<string, { answer: CarrierAnswer; at: number }>();

const keyOf = (request: CarrierRequest): string => JSON.stringify(request);

export function keepAnswer(request: CarrierRequest, answer: CarrierAnswer): void {
  const key = keyOf(request);
  kept.delete(key);
  kept.set(key, { answer, at: Date.now() });
  if (kept.size > mostKept) kept.delete(kept.keys().next().value!);
}

/** What was said to the same question. @param keep no longer ago than so many ms */
export function lastKnown(request: CarrierRequest, keep: number): CarrierAnswer | null {
  const known = keep > 0 ? kept.get(keyOf(request)) : undefined;
  return known && Date.now() - known.at <= keep ? known.answer : null;
}
