import { chargeOfPreset } from '../../src/core/charges/presets.ts';
import { countryCodes } from '../../src/core/geography/country.ts';
import type { Policy } from '../../src/core/policy/types.ts';
import { checkPolicy } from '../../src/core/checks/validate.ts';
import { seededRandom } from '../../src/core/statistics/random.ts';
import { demoPolicy } from '../../demo/policy/demo-policy.ts';

/**
 * The demo store grown to 60 markets, 400 zones, 3,000 options and 20,000 postcodes. Offers that are for every market have
 * a goal in each of the new ones.
 */
export function bigStore(): Policy {
  const random = seededRandom(60);
  const policy = structuredClone(demoPolicy);
  const { markets, zones, options, offers } = policy;
  const taken = new Set(Object.values(markets).flatMap(({ countries }) => countries));
  const free = countryCodes.filter((code) => !taken.has(code));
  const templates = Object.values(demoPolicy.markets);
  const added = Array.from({ length: 60 - templates.length }, (_, index) => `market-${index}`);
  for (const [index, id] of added.entries()) {
    const { elsewhere: _, ...template } = templates[index % templates.length]!;
    const { regions: __, ...tax } = template.tax;
    markets[id] = {
      ...template,
      order: 100 + index,
      name: `Market ${index}`,
      countries: free.slice(index * 3, index * 3 + 2),
      tax,
    };
  }
  const allMarkets = Object.keys(markets);
  const addedZones = Array.from({ length: 400 - Object.keys(zones).length }, (_, index) => `zone-${index}`);
  for (const [index, id] of addedZones.entries()) {
    const market = index < added.length ? added[index]! : allMarkets[index % allMarkets.length]!;
    const country = markets[market]!.countries[0]!;
    const codes = Array.from({ length: 61 }, () => String(10_000 + Math.floor(random() * 80_000)));
    const patterns = Object.fromEntries(
      [...codes, `${index * 100}..${index * 100 + 40}`].map((code) => [code, true as const]),
    );
    zones[id] = {
      order: 100 + index,
      market,
      name: `Zone ${index}`,
      on: true,
      area: {
        include:
          index < added.length
            ? { whole: { kind: 'wholeMarket' } }
            : { list: { kind: 'postcodes', country, patterns } },
      },
    };
  }
  for (let o = Object.keys(options).length; o < 3000; o++) {
    const price = (from: number) => ({ exact: Math.round((from + random() * 500) / 5) * 5 });
    const charge = [
      () =>
        chargeOfPreset({
          kind: 'stepsByValue',
          steps: [0, 2000, 4000, 6000, 9000, 15_000].map((from) => ({ from: { exact: from }, price: price(400) })),
        }),
      () =>
        chargeOfPreset({
          kind: 'stepsByCount',
          measure: 'weight',
          steps: [0, 1000, 2000, 5000, 10_000].map((from) => ({ from, price: price(600) })),
        }),
      () =>
        chargeOfPreset({
          kind: 'baseAndFactor',
          measure: 'weight',
          base: price(500),
          factor: price(20),
          per: 1000,
          started: true,
        }),
    ][o % 3]!();
    options[`option-${o}`] = {
      order: 100 + o,
      zone: addedZones[o % addedZones.length]!,
      on: true,
      name: `Option ${o}`,
      kind: 'parcel',
      label: { 'en-GB': `Delivery ${o}`, 'nl-NL': `Bezorging ${o}` },
      estimate: { min: 1, max: 4, cutOff: '16:00', calendar: 'shop' },
      charge,
    };
  }
  for (const offer of Object.values(offers)) {
    if (offer.markets || JSON.stringify(offer).includes('"cap"')) continue;
    for (const { targets } of Object.values(offer.goals))
      if (targets.deat) for (const id of added) targets[id] ??= targets.deat;
  }
  const check = checkPolicy(policy);
  if (!check.ok) throw new Error(`the big store is not valid: ${JSON.stringify(check.faults.slice(0, 3))}`);
  return policy;
}
