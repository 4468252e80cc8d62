import { countryOfRegion } from '../../places/country.ts';
import { parsePostcodePattern } from '../../places/postcode.ts';
import type { Fault } from '../fault.ts';
import type { AreaPart, Policy, Zone } from '../types.ts';
import { sellsTo } from './check-markets.ts';

/** A zone has a market, and its area lies in it. */
export function checkZone(id: string, zone: Zone, policy: Policy, fault: Fault): void {
  if (!policy.markets[zone.market]) return fault(`/zones/${id}/market`, `there is no market "${zone.market}"`);
  for (const side of ['include', 'exclude'] as const) {
    for (const [part, area] of Object.entries(zone.area[side] ?? {})) checkAreaPart(area, zone.market, policy, `/zones/${id}/area/${side}/${part}`, fault);
  }
}

function checkAreaPart(part: AreaPart, marketId: string, policy: Policy, at: string, fault: Fault): void {
  const inMarket = (country: string, field: string) => {
    if (!sellsTo(policy, marketId, country)) fault(`${at}/${field}`, `${country} is not a country of this zone's market`);
  };
  if (part.kind === 'country' || part.kind === 'postcode') inMarket(part.country, 'country');
  if (part.kind === 'region') inMarket(countryOfRegion(part.region), 'region');
  if (part.kind === 'postcode') checkPattern(part.pattern, `${at}/pattern`, fault);
}

export function checkPattern(pattern: string, pointer: string, fault: Fault): void {
  const parsed = parsePostcodePattern(pattern);
  if (!parsed.ok) fault(pointer, parsed.reason);
}
