import { readOut } from '../conditions/read-out.ts';
import { formatMoney } from '../money/format.ts';
import type { Guarantee, Policy } from '../policy/types.ts';
import { claimKindOf } from './registry.ts';

/** A guarantee as one sentence. @param locale in which amounts are written */
export function guaranteeInWords({ markets, when, claim }: Guarantee, policy: Policy, locale: string): string {
  const base = (minor: number) => formatMoney(minor, policy.store.baseCurrency, locale);
  const named = markets && Object.keys(markets).map((id) => policy.markets[id]?.name ?? id);
  const where = named ? `In ${named.join(', ')}` : 'In all markets';
  const whom = when && Object.keys(when.conditions).length > 0 ? `, if ${readOut(policy, when)},` : '';
  return `${where}${whom} ${claimKindOf(claim).says(claim, policy, base)}.`;
}
