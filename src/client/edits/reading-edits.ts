import { inOrder, orderAfterLast } from '../../core/ordered.ts';
import { isCode } from '../../core/offers/code-shape.ts';
import { destinationOfOrder } from '../../core/orders/destination-of-order.ts';
import type {
  AreaPart,
  Charge,
  DeliveryOption,
  Goal,
  Offer,
  OptionSelection,
  Policy,
  Zone,
} from '../../core/policy/types.ts';
import type { AreaPart as ReadPart, ReadArea } from '../../core/reading/read-areas.ts';
import { goalWording } from '../../core/reading/goal-wording.ts';
import type { ReadCode } from '../../core/reading/read-codes.ts';
import { proposedRules, type ProposedGoal, type ProposedRules } from '../../core/reading/proposed-rules.ts';
import { normalPostcode } from '../../core/geography/postcode.ts';
import type { Edit } from './edit.ts';
import { addProposedMarkets } from './market-edits.ts';
import { freshId, inTurn, setAt } from './set-at.ts';

/** What orders do not say, and is assumed until somebody says otherwise. */
export interface NamesForRead {
  /** of a market, by its countries */
  market: (countries: readonly string[]) => string;
  /** of an option, by what the orders call it */
  option: (option: string) => string;
  /** of a part of a market, by how many there are already */
  area: (number: number) => string;
  /** of the offer that makes delivery free, and of that which does so by codes */
  offer: string;
  code: string;
}

/** Working days until a parcel is there, of which orders say nothing. */
const assumedEstimate = { min: 1, max: 3 };

/**
 * Rules that were read from orders, put into a policy as one edit: markets with their zones, options with their charges, areas
 * with theirs, and offers that make delivery free from the goals or by codes. Prices and goals are exact amounts.
 *
 * @param into the market that all of them belong to; absent: each becomes one of its own
 */
export const takeReading = (proposals: readonly ProposedRules[], names: NamesForRead, into?: string): Edit => {
  return (policy) => {
    if (proposals.length === 0) return [];
    const places: MadePlace[] = [];
    const made: MadeOption[] = [];
    const making: Making = { names, made };
    const zones = proposals.map((proposal, i): Edit => (current) => {
      const patch = into === undefined ? newMarket(proposal, names)(current) : zoneIn(into, proposal, i)(current);
      const added = (collection: string) =>
        patch.map(({ path }) => new RegExp(`^/${collection}/([^/]+)$`).exec(path)?.[1]).find(Boolean);
      const market = into ?? added('markets')!;
      places[i] = { market, zone: added('zones') ?? wholeZoneOf(current, market)! };
      return patch;
    });
    const rules = proposals.map(
      (proposal, i): Edit =>
        (current) =>
          inTurn(
            addOptions(places[i]!.zone, proposal.options, making),
            ...areasOf(proposal, places[i]!.market, making),
          )(current),
    );
    const offers: Edit = (current) => {
      const goals = proposals.map((proposal, i) => ({ marketId: places[i]!.market, ...proposal }));
      return inTurn(...offersOf(goals, making), ...codeOffersOf(goals, making))(current);
    };
    return inTurn(...zones, ...rules, offers)(policy);
  };
};

interface MadePlace {
  market: string;
  /** where its options lie */
  zone: string;
}

const newMarket = ({ market }: ProposedRules, { market: nameOf }: NamesForRead): Edit =>
  addProposedMarkets([market], nameOf);

/** The zone of a market that covers all of it, made where there is none; countries with rules of their own get one of theirs. */
const zoneIn =
  (marketId: string, { market }: ProposedRules, place: number): Edit =>
  (policy) => {
    if (place === 0 && wholeZoneOf(policy, marketId) !== undefined) return [];
    const { name } = policy.markets[marketId]!;
    const include: Zone['area']['include'] =
      place === 0
        ? { whole: { kind: 'wholeMarket' } }
        : Object.fromEntries(market.countries.map((country, i) => [`part-${i + 1}`, { kind: 'country', country }]));
    const zone: Zone = {
      order: orderAfterLast(policy.zones),
      market: marketId,
      name: (place === 0 ? `All of ${name}` : market.countries.join(', ')).slice(0, 120),
      on: true,
      area: { include },
    };
    return setAt(
      ['zones', freshId(`${marketId}-${place === 0 ? 'all' : market.countries[0]!}`, policy.zones)],
      zone,
    )(policy);
  };

/** What is made while the edit is put together: which option of the orders became which. */
interface Making {
  names: NamesForRead;
  made: MadeOption[];
}

interface MadeOption {
  marketId: string;
  /** what the orders call it */
  option: string;
  id: string;
}

const wholeZoneOf = ({ zones }: Policy, marketId: string): string | undefined =>
  inOrder(zones).find(
    ([, { market, area }]) =>
      market === marketId && Object.values(area.include).some(({ kind }) => kind === 'wholeMarket'),
  )?.[0];

const addOptions = (
  zone: string,
  options: readonly { option: string; charge: Charge }[],
  { names, made }: Making,
): Edit =>
  inTurn(
    ...options.map(({ option, charge }): Edit => (policy) => {
      const name = names.option(option).slice(0, 120);
      const marketId = policy.zones[zone]!.market;
      const { languages } = policy.markets[marketId]!;
      const proposed: DeliveryOption = {
        order: orderAfterLast(policy.options),
        zone,
        on: true,
        name,
        kind: 'parcel',
        label: Object.fromEntries(languages.map((language) => [language, name])),
        estimate: assumedEstimate,
        charge,
      };
      // Past orders know it by this word already.
      const id = freshId(option, policy.options);
      made.push({ marketId, option, id });
      return setAt(['options', id], proposed)(policy);
    }),
  );

/** A zone of its own for each area, with the market’s options at what they cost there. */
function areasOf(proposal: ProposedRules, marketId: string, making: Making): Edit[] {
  return proposal.areas.flatMap((area, number) => {
    const parts = areaPartsOf(area.parts);
    if (parts.length === 0) return [];
    const include = Object.fromEntries(parts.map((part, i) => [`part-${i + 1}`, part]));
    return [
      (policy: Policy) => {
        const name = making.names.area(number + 1);
        const zone: Zone = { order: orderAfterLast(policy.zones), market: marketId, name, on: true, area: { include } };
        const id = freshId(`${marketId}-${name}`, policy.zones);
        return inTurn(setAt(['zones', id], zone), addOptions(id, chargesIn(area, proposal), making))(policy);
      },
    ];
  });
}

/** Postcodes of a country are one part; a region that is written in a way that is not known is none. */
export function areaPartsOf(parts: readonly ReadPart[]): AreaPart[] {
  const patterns = new Map<string, Record<string, true>>();
  const regions: AreaPart[] = [];
  for (const { country, region, postcode } of parts) {
    const known = destinationOfOrder(country, region ?? '', '').region;
    if (postcode !== null) patterns.set(country, { ...patterns.get(country), [`${normalPostcode(postcode)}*`]: true });
    else if (known !== undefined) regions.push({ kind: 'region', region: known });
  }
  return [
    ...[...patterns].map(([country, all]): AreaPart => ({ kind: 'postcodes', country, patterns: all })),
    ...regions,
  ];
}

function chargesIn(area: ReadArea, { market, options }: ProposedRules): { option: string; charge: Charge }[] {
  const { more } = area;
  if (more === null) return proposedRules({ ...market, read: area.read, areas: [] }).options;
  return options.map(({ option, charge }) => ({ option, charge: dearer(charge, more) }));
}

function dearer(charge: Charge, more: number): Charge {
  const lines = Object.entries(charge.lines).map(([id, line]) => {
    const { price } = line;
    if (!('fixed' in price) || !('exact' in price.fixed)) return [id, line] as const;
    return [id, { ...line, price: { ...price, fixed: { exact: Math.max(0, price.fixed.exact + more) } } }] as const;
  });
  return { ...charge, lines: Object.fromEntries(lines) };
}

/** One offer for the first goal of every market, another for their second ones: each makes just those options free that orders had free. */
function offersOf(
  markets: readonly { marketId: string; goals: readonly ProposedGoal[] }[],
  { names, made }: Making,
): Edit[] {
  const most = markets.reduce((all, { goals }) => Math.max(all, goals.length), 0);
  return Array.from({ length: most }, (_, rank): Edit => (policy) => {
    const those = markets.filter(({ goals }) => goals.length > rank);
    const targets = Object.fromEntries(those.map(({ marketId, goals }) => [marketId, { exact: goals[rank]!.from }]));
    const offer = freeDelivery(policy, rank === 0 ? names.offer : `${names.offer} ${rank + 1}`, {
      unlock: { by: 'amount' },
      targets,
      on: selectionOf(made, those, rank),
    });
    const id = freshId(offer.name, policy.offers);
    const languages = those.flatMap(({ marketId }) => policy.markets[marketId]!.languages);
    return inTurn(setAt(['offers', id], offer), setAt(['wording', id], goalWording(languages)))(policy);
  });
}

/** An offer that makes some options free, on, at the end of the list. */
const freeDelivery = (
  { offers }: Policy,
  name: string,
  { unlock, targets, on }: { unlock: Offer['unlock']; targets: Goal['targets']; on: OptionSelection },
): Offer => ({
  order: orderAfterLast(offers),
  name,
  note: '',
  on: true,
  priority: 0,
  combines: false,
  unlock,
  goals: {
    first: {
      order: 1,
      measure: { kind: 'countedValue', basis: 'afterDiscountsAsShown' },
      targets,
      then: 'replace',
      rewards: { delivery: { order: 1, kind: 'deliveryFree', on, coversOwnDelivery: false } },
    },
  },
});

/** One offer for all codes that make delivery free in the same markets. */
function codeOffersOf(markets: readonly { marketId: string; codes: readonly ReadCode[] }[], { names }: Making): Edit[] {
  const marketsOf = new Map<string, string[]>();
  for (const { marketId, codes } of markets)
    for (const { code } of codes) marketsOf.set(code, [...(marketsOf.get(code) ?? []), marketId]);
  const together = new Map<string, string[]>();
  for (const [code, those] of marketsOf) {
    // What an export writes may be no code that shoppers can enter here.
    if (!isCode(code)) continue;
    const key = those.join(' ');
    together.set(key, [...(together.get(key) ?? []), code]);
  }
  return [...together].map(([key, codes]): Edit => (policy) => {
    const offer: Offer = {
      ...freeDelivery(policy, names.code, {
        unlock: { by: 'code', codes: Object.fromEntries(codes.map((code) => [code, true as const])) },
        targets: {},
        on: { by: 'all' },
      }),
      markets: Object.fromEntries(key.split(' ').map((market) => [market, true as const])),
    };
    return setAt(['offers', freshId(offer.name, policy.offers)], offer)(policy);
  });
}

/** All options, where every market has just one goal for all of them. */
function selectionOf(
  made: readonly MadeOption[],
  markets: readonly { marketId: string; goals: readonly ProposedGoal[] }[],
  rank: number,
): OptionSelection {
  const options = markets.flatMap(({ marketId, goals }) =>
    made
      .filter((one) => one.marketId === marketId)
      .map(({ option, id }) => ({ id, free: goals[rank]!.options.includes(option) })),
  );
  if (options.every(({ free }) => free)) return { by: 'all' };
  return {
    by: 'list',
    options: Object.fromEntries(options.filter(({ free }) => free).map(({ id }) => [id, true as const])),
  };
}
