import { inOrder } from '../ordered.ts';
import { minorPerMajor } from '../money/currency.ts';
import type { Condition, ConditionNode, Guarantee, GuaranteeClaim, OptionSelection, Policy } from '../policy/types.ts';
import type { LeafNode, Unplaced } from '../conditions/leaf.ts';

/** A guarantee to begin with. */
export interface StarterGuarantee {
  id: string;
  name: string;
  /** what it is looked at for and holds; null where the store has nothing of what it is about */
  begin: (policy: Policy) => Pick<Guarantee, 'when' | 'claim'> | null;
}

const all: OptionSelection = { by: 'all' };
const parcels: OptionSelection = { by: 'kind', kinds: ['parcel'] };
const pickUps: OptionSelection = { by: 'kind', kinds: ['pickUp'] };

const plainly = (claim: GuaranteeClaim) => () => ({ claim });

const when = (leaf: Unplaced<LeafNode>): Condition => ({
  of: 'all',
  conditions: { first: { ...leaf, order: 1 } as ConditionNode },
});

const weight = (operator: 'atMost' | 'atLeast', value: number): Condition =>
  when({ kind: 'number', fact: 'cart.weight', operator, value });

/** An amount of the base currency, written in major units. */
const major = ({ store }: Policy, amount: number): number => amount * minorPerMajor(store.baseCurrency);

export const starterGuarantees: readonly StarterGuarantee[] = [
  {
    id: 'somewhere-to-choose',
    name: 'Somewhere to choose for every covered destination',
    begin: plainly({ kind: 'offered', of: 'some', on: all }),
  },
  {
    id: 'no-dear-parcel',
    name: 'No parcel over 15.00 under 5 kg',
    begin: (policy) => ({
      when: weight('atMost', 5000),
      claim: { kind: 'costsAtMost', of: 'each', on: parcels, atMost: major(policy, 15) },
    }),
  },
  {
    id: 'never-dearer',
    name: 'Delivery never gets dearer as goods are added',
    begin: plainly({ kind: 'neverRises', on: all }),
  },
  {
    id: 'members',
    name: 'Members never pay more than guests',
    begin: (policy) => {
      const group = groupsOf(policy)[0];
      return group === undefined
        ? null
        : {
            when: when({ kind: 'word', fact: 'shopper.group', operator: 'contains', values: [group] }),
            claim: { kind: 'noMoreThanGuests', on: all },
          };
    },
  },
  {
    id: 'goals-agree',
    name: 'Goals in all markets lie within 20 % of each other',
    begin: plainly({ kind: 'goalsAgree', within: 20 }),
  },
  {
    id: 'something-read',
    name: 'Every shopper is told something below a goal',
    begin: plainly({ kind: 'read', until: 'goalReached' }),
  },
  {
    id: 'prices-agree',
    name: 'The cheapest delivery is within 50 % in all markets',
    begin: plainly({ kind: 'pricesAgree', on: all, within: 50 }),
  },
  {
    id: 'cheapest-bounded',
    name: 'Some delivery for at most 10.00',
    begin: (policy) => ({ claim: { kind: 'costsAtMost', of: 'some', on: all, atMost: major(policy, 10) } }),
  },
  {
    id: 'first-orders',
    name: 'First orders never pay more than guests',
    begin: () => ({
      when: when({ kind: 'yesNo', fact: 'shopper.firstOrder', is: true }),
      claim: { kind: 'noMoreThanGuests', on: all },
    }),
  },
  {
    id: 'businesses',
    name: 'Businesses have something to choose',
    begin: () => ({
      when: when({ kind: 'yesNo', fact: 'shopper.business', is: true }),
      claim: { kind: 'offered', of: 'some', on: all },
    }),
  },
  {
    id: 'heavy-carts',
    name: 'Heavy carts have something to choose',
    begin: () => ({ when: weight('atLeast', 20_000), claim: { kind: 'offered', of: 'some', on: all } }),
  },
  {
    id: 'pick-up-free',
    name: 'Collecting costs nothing',
    begin: plainly({ kind: 'free', of: 'each', on: pickUps }),
  },
];

/** Groups that conditions of the store ask for. */
function groupsOf({ qualifiers, offers }: Policy): string[] {
  const trees = [
    ...inOrder(qualifiers).map(([, { condition }]) => condition),
    ...inOrder(offers).flatMap(([, offer]) => offer.when ?? []),
  ];
  return trees.flatMap((tree) => groupsIn(Object.values(tree.conditions)));
}

const groupsIn = (nodes: readonly ConditionNode[]): string[] =>
  nodes.flatMap((node) => {
    if (node.kind === 'group') return groupsIn(Object.values(node.conditions));
    return node.kind === 'word' && node.fact === 'shopper.group' ? node.values : [];
  });
