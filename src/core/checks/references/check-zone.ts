import { countryOfRegion } from '../../geography/country.ts';
import { parsePostcodePattern } from '../../geography/postcode.ts';
import type { Fault } from '../../policy/fault.ts';
import type { AreaPart, Policy, Zone } from '../../policy/types.ts';
import { sellsTo } from './check-markets.ts';

/** A zone has a market, and its area lies in it. */
export function checkZone(id: string, zone: Zone, policy: Policy, fault: Fault): void {
  if (!policy.markets[zone.market]) return fault(`/zones/${id}/market`, `there is no market "${zone.market}"`);
  for (const side of ['include', 'exclude'] as const) {
    for (const [part, area] of Object.entries(zone.area[side] ?? {}))
      checkAreaPart(area, zone.market, policy, `/zones/${id}/area/${side}/${part}`, fault);
  }
}

function checkAreaPart(part: AreaPart, marketId: string, policy: Policy, at: string, fault: Fault): void {
  const inMarket = (country: string, field: string) => {
    if (!sellsTo(policy, marketId, country))
      fault(`${at}/${field}`, `${country} is not a country of this zone's market`);
  };
  if (part.kind === 'country' || part.kind === 'postcodes') inMarket(part.country, 'country');
  if (part.kind === 'region') inMarket(countryOfRegion(part.region), 'region');
  if (part.kind === 'postcodes')
    for (const { pattern, reason } of wrongPatterns(part.patterns)) fault(`${at}/patterns/${pattern}`, reason);
}

const wrongKnown = new WeakMap<object, { pattern: string; reason: string }[]>();

/** Patterns of a list that cannot be read. A long list is read once, however often the policy around it is checked. */
function wrongPatterns(patterns: Record<string, true>): { pattern: string; reason: string }[] {
  let wrong = wrongKnown.get(patterns);
  if (!wrong) {
    wrong = Object.keys(patterns).flatMap((pattern) => {
      const parsed = parsePostcodePattern(pattern);
      return parsed.ok ? [] : [{ pattern, reason: parsed.reason }];
    });
    wrongKnown.set(patterns, wrong);
  }
  return wrong;
}
