import { isIP } from 'node:net';
import { findMarket } from '../../core/evaluation/find-zone.ts';
import { inOrder } from '../../core/ordered.ts';
import type { CompiledPolicy } from '../../core/evaluation/compile.ts';
import type { Where } from '../../contract/shapes/where.ts';
import type { Whereabouts } from './address-table.ts';

/**
 * Which market somebody is shown before having said where the goods go (2-domain §13): one that was chosen always wins; then
 * that of the country the address is in; else the store’s first.
 *
 * @param place of the address; null: no table has it
 */
export function whereOf(
  compiled: CompiledPolicy,
  place: Whereabouts | null,
  address: string | null,
  chosen?: string,
): Where {
  const told = {
    address: address !== null && isIP(address) ? address : null,
    country: place?.country ?? null,
    region: place?.region ?? null,
  };
  if (chosen !== undefined && compiled.markets.has(chosen)) return { ...told, market: chosen, sure: 'chosen' };
  if (place) {
    const market = findMarket(compiled, { country: place.country, postcode: '' });
    return { ...told, market: market?.id ?? null, sure: 'found' };
  }
  return { ...told, market: inOrder(compiled.policy.markets)[0]?.[0] ?? null, sure: 'assumed' };
}
