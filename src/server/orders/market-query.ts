import type { Policy } from '../../core/policy/types.ts';
import { readDraft } from '../draft/draft-store.ts';
import { ProblemError } from '../http/problem.ts';

/** The market of the draft that an address names. @throws ProblemError 404 */
export async function marketAsked(id: string): Promise<{ id: string; currency: string; policy: Policy }> {
  const { policy } = await readDraft();
  const market = Object.hasOwn(policy.markets, id) ? policy.markets[id] : undefined;
  if (!market) {
    const known = Object.keys(policy.markets).join(', ') || 'none yet';
    throw new ProblemError({
      status: 404,
      title: 'There is no such market',
      detail: `Markets of the draft: ${known}.`,
      fields: [{ pointer: '/market', message: `must be one of: ${known}` }],
    });
  }
  return { id, currency: market.currency, policy };
}
