import type { Evaluation } from '../evaluation/evaluation.ts';
import type { Expectation } from '../policy/types.ts';
import { placeIds, type Place } from '../wording/places.ts';

/** What is read in each place; nothing where it is silent. */
export type Messages = Partial<Record<Place, string>>;

/** One thing that a test cart expects and that has come out otherwise. Prices in minor units, null: not offered. */
export type Miss =
  | { what: 'option'; optionId: string; expected: number | null; found: number | null }
  | { what: 'goal'; offerId: string; expected: boolean; found: boolean }
  | { what: 'message'; place: Place; expected: string; found: string }
  | { what: 'toPay'; expected: number; found: number | null };

/** What a cart could be expected to do, as it does it now: every option of the zone, every offer in force, every place. */
export function expectationNow(
  { options, unavailable, offers, totals }: Evaluation,
  messages: Messages,
): Required<Expectation> {
  return {
    options: Object.fromEntries([
      ...options.map(({ optionId, after }) => [optionId, after] as const),
      ...unavailable.map(({ optionId }) => [optionId, null] as const),
    ]),
    goals: Object.fromEntries(
      offers.filter(({ status }) => status === 'inForce').map(({ offerId, goals }) => [offerId, goals.at(-1)!.reached]),
    ),
    messages: Object.fromEntries(placeIds.map((place) => [place, messages[place] ?? ''])),
    toPay: totals?.toPay ?? 0,
  };
}

/** Where a cart does other than it is expected to; only what the expectation names is compared. */
export function missesOf(
  { options, goals, messages, toPay }: Expectation,
  evaluation: Evaluation,
  read: Messages,
): Miss[] {
  const misses: Miss[] = [];
  for (const [optionId, expected] of Object.entries(options ?? {})) {
    const found = evaluation.options.find((option) => option.optionId === optionId)?.after ?? null;
    if (found !== expected) misses.push({ what: 'option', optionId, expected, found });
  }
  for (const [offerId, expected] of Object.entries(goals ?? {})) {
    const standing = evaluation.offers.find((offer) => offer.offerId === offerId);
    const found = standing?.status === 'inForce' && standing.goals.at(-1)!.reached;
    if (found !== expected) misses.push({ what: 'goal', offerId, expected, found });
  }
  for (const [place, expected] of Object.entries(messages ?? {}) as [Place, string][]) {
    const found = read[place] ?? '';
    if (found !== expected) misses.push({ what: 'message', place, expected, found });
  }
  if (toPay !== undefined && evaluation.totals?.toPay !== toPay)
    misses.push({ what: 'toPay', expected: toPay, found: evaluation.totals?.toPay ?? null });
  return misses;
}
