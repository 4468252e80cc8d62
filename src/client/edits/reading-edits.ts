import { inOrder, orderAfterLast } from '../../core/ordered.ts';
import type { Charge, DeliveryOption, Offer, OptionSelection, Policy, Zone } from '../../core/policy/types.ts';
import type { AreaPart as ReadPart, ReadArea } from '../../core/reading/read-areas.ts';
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
  /** of the offer that makes delivery free */
  offer: string;
}

/** Working days until a parcel is there, of which orders say nothing. */
const assumedEstimate = { min: 1, max: 3 };

/**
 * Rules that were read from orders, put into a policy as one edit: markets with their zones, options with their charges, areas
 * with theirs, and offers that make delivery free from the goals. Prices and goals are exact amounts.
 */
export const takeReading = (proposals: readonly ProposedRules[], names: NamesForRead): Edit => {
  return (policy) => {
    const marketIds: (string | undefined)[] = [];
    const made: MadeOption[] = [];
    const markets = proposals.map(({ market }, i): Edit => (current) => {
      const before = new Set(Object.keys(current.markets));
      const patch = addProposedMarkets([market], names.market)(current);
      const added = patch.map(({ path }) => /^\/markets\/([^/]+)$/.exec(path)?.[1]);
      marketIds[i] = added.find((id) => id !== undefined && !before.has(id));
      return patch;
    });
    const rules = proposals.map(
      (proposal, i): Edit =>
        (current) =>
          inTurn(
            optionsOf(proposal, marketIds[i]!, { names, made }),
            ...areasOf(proposal, marketIds[i]!, { names, made }),
          )(current),
    );
    const offers: Edit = (current) =>
      inTurn(
        ...offersOf(
          proposals.map(({ goals }, i) => ({ marketId: marketIds[i]!, goals })),
          { names, made },
        ),
      )(current);
    return inTurn(...markets, ...rules, offers)(policy);
  };
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

const wholeZoneOf = ({ zones }: Policy, marketId: string): string =>
  inOrder(zones).find(([, { market }]) => market === marketId)![0];

const optionsOf =
  ({ options }: ProposedRules, marketId: string, making: Making): Edit =>
  (policy) =>
    addOptions(
      wholeZoneOf(policy, marketId),
      options.map(({ option, charge }) => ({ option, charge })),
      making,
    )(policy);

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

/** A zone of its own for each area that can be told by postcodes, with the market’s options at what they cost there. */
function areasOf(proposal: ProposedRules, marketId: string, making: Making): Edit[] {
  return proposal.market.areas.flatMap((area, number) => {
    const patterns = area.parts.flatMap(postcodesOf);
    if (patterns.length === 0) return [];
    const include = Object.fromEntries(
      patterns.map(([country, all], i) => [
        `part-${i + 1}`,
        {
          kind: 'postcodes' as const,
          country,
          patterns: Object.fromEntries(all.map((pattern) => [pattern, true as const])),
        },
      ]),
    );
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

const postcodesOf = ({ country, postcode }: ReadPart): [string, string[]][] =>
  postcode === null ? [] : [[country, [`${normalPostcode(postcode)}*`]]];

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
    const offer: Offer = {
      order: orderAfterLast(policy.offers),
      name: rank === 0 ? names.offer : `${names.offer} ${rank + 1}`,
      note: '',
      on: true,
      priority: 0,
      combines: false,
      unlock: { by: 'amount' },
      goals: {
        first: {
          order: 1,
          measure: { kind: 'countedValue', basis: 'afterDiscountsAsShown' },
          targets,
          then: 'replace',
          rewards: {
            delivery: {
              order: 1,
              kind: 'deliveryFree',
              on: selectionOf(made, those, rank),
              coversOwnDelivery: false,
            },
          },
        },
      },
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
