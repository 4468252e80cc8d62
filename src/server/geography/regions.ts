import { iso31662 } from 'iso-3166';
import type { PolicyFault } from '../../core/policy/fault.ts';
import type { Policy } from '../../core/policy/types.ts';

export interface Region {
  code: string;
  name: string;
}

let byCountry: Map<string, Region[]> | null = null;
let codes: Set<string> | null = null;

/** Regions of a country by ISO 3166-2, by name. Source: the npm package `iso-3166`. */
export function regionsOf(country: string): Region[] {
  if (!byCountry) {
    byCountry = new Map();
    for (const { code, name } of iso31662) {
      const home = code.slice(0, 2);
      const list = byCountry.get(home);
      if (list) list.push({ code, name });
      else byCountry.set(home, [{ code, name }]);
    }
    for (const list of byCountry.values()) list.sort((a, b) => a.name.localeCompare(b.name, 'en'));
  }
  return byCountry.get(country) ?? [];
}

/** Regions that a policy names and ISO 3166-2 does not know. The list is too long to be carried by every page. */
export function unknownRegions(policy: Policy): PolicyFault[] {
  codes ??= new Set(iso31662.map(({ code }) => code));
  const faults: PolicyFault[] = [];
  const check = (code: string, pointer: string) => {
    if (!codes!.has(code)) faults.push({ pointer, message: `${code} is not a region of ISO 3166-2` });
  };
  for (const [id, { area }] of Object.entries(policy.zones)) {
    for (const side of ['include', 'exclude'] as const)
      for (const [part, of] of Object.entries(area[side] ?? {}))
        if (of.kind === 'region') check(of.region, `/zones/${id}/area/${side}/${part}/region`);
  }
  for (const [id, { tax }] of Object.entries(policy.markets))
    for (const region of Object.keys(tax.regions ?? {})) check(region, `/markets/${id}/tax/regions/${region}`);
  return faults;
}
