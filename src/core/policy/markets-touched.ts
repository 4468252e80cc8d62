import { same } from '../same.ts';
import type { Goal, Offer, Policy } from './types.ts';

/** Markets in which something may be otherwise after a change; `all`: it concerns every market there is. */
export type Touched = ReadonlySet<string> | 'all';

type Things<T> = Record<string, T> | undefined;
type Concerned<T> = (thing: T, policy: Policy) => readonly string[] | 'all';

/** Nothing that is promised to shoppers rests on it, or it is a way of looking at what is. */
const nobody: Concerned<unknown> = () => [];
const everybody: Concerned<unknown> = () => 'all';
const listed = ({ markets }: { markets?: Record<string, true> }): readonly string[] | 'all' => {
  const named = Object.keys(markets ?? {});
  return named.length > 0 ? named : 'all';
};

/** Where an offer is: in the markets that its goals have amounts in, of those that it is restricted to; one with codes needs no amount. */
const ofOffer: Concerned<Offer> = (offer) => {
  const { unlock, goals, markets } = offer;
  if (unlock.by !== 'amount') return listed(offer);
  return [...new Set(Object.values(goals).flatMap(({ targets }) => Object.keys(targets)))].filter(
    (market) => !markets || Object.hasOwn(markets, market),
  );
};

const withoutTargets = (offer: Offer) => ({
  ...offer,
  goals: Object.fromEntries(Object.entries(offer.goals).map(([id, goal]) => [id, { ...goal, targets: null }] as const)),
});

/** Of an offer that differs in amounts alone: the markets of these. */
function ofAmounts(before: Offer, after: Offer): string[] | null {
  if (!same(withoutTargets(before), withoutTargets(after))) return null;
  return Object.entries(before.goals).flatMap(([id, { targets: was }]) => differing(was, after.goals[id]!.targets));
}

const differing = (was: Goal['targets'], is: Goal['targets']): string[] =>
  [...new Set([...Object.keys(was), ...Object.keys(is)])].filter((market) => !same(was[market], is[market]));

/** Wording of an offer or a notice concerns where that is. */
const ofSpeaker = (id: string, policy: Policy): readonly string[] | 'all' => {
  const offer = policy.offers[id];
  const notice = policy.notices?.[id];
  if (offer) return ofOffer(offer, policy);
  return notice ? listed(notice) : 'all';
};

/**
 * Which markets a change of a policy may concern. Where that cannot be said of a part, it is taken to concern all: whoever may change some
 * markets alone changes nothing that others rest on.
 */
export function marketsTouched(before: Policy, after: Policy): Touched {
  const touched = new Set<string>();
  let all = false;
  const add = (markets: readonly string[] | 'all') => {
    if (markets === 'all') all = true;
    else for (const market of markets) touched.add(market);
  };
  const look = <T>(
    was: Things<T>,
    is: Things<T>,
    concerned: (id: string, thing: T, policy: Policy) => readonly string[] | 'all',
  ) => {
    if (was === is) return;
    for (const id of new Set([...Object.keys(was ?? {}), ...Object.keys(is ?? {})])) {
      const [earlier, later] = [own(was, id), own(is, id)];
      if (same(earlier, later)) continue;
      if (earlier !== undefined) add(concerned(id, earlier, before));
      if (later !== undefined) add(concerned(id, later, after));
    }
  };
  const each = <T>(was: Things<T>, is: Things<T>, concerned: Concerned<T>) =>
    look(was, is, (_, thing, policy) => concerned(thing, policy));
  for (const part of ['store', 'rates', 'look'] as const) if (!same(before[part], after[part])) all = true;
  look(before.markets, after.markets, (id) => [id]);
  look(before.assumptions, after.assumptions, (id) => [id]);
  each(before.zones, after.zones, ({ market }) => [market]);
  each(before.options, after.options, ({ zone }, policy) => {
    const of = own(policy.zones, zone);
    return of ? [of.market] : 'all';
  });
  lookAtOffers(before, after, add);
  each(before.notices, after.notices, listed);
  each(before.experiments, after.experiments, ({ market }) => [market]);
  each(before.guarantees, after.guarantees, listed);
  each(before.surfaces, after.surfaces, listed);
  look(before.wording, after.wording, (id, _, policy) => ofSpeaker(id, policy));
  look(before.textNotes, after.textNotes, (id, _, policy) => ofSpeaker(id, policy));
  each(before.qualifiers, after.qualifiers, everybody);
  each(before.surfaceTexts, after.surfaceTexts, everybody);
  each(before.places, after.places, everybody);
  each(before.calendars, after.calendars, everybody);
  each(before.shoppers, after.shoppers, nobody);
  each(before.testCarts, after.testCarts, nobody);
  each(before.accepted, after.accepted, nobody);
  return all ? 'all' : touched;
}

function lookAtOffers(before: Policy, after: Policy, add: (markets: readonly string[] | 'all') => void): void {
  for (const id of new Set([...Object.keys(before.offers), ...Object.keys(after.offers)])) {
    const [was, is] = [own(before.offers, id), own(after.offers, id)];
    if (same(was, is)) continue;
    const amounts = was && is ? ofAmounts(was, is) : null;
    if (amounts) add(amounts);
    else {
      if (was) add(ofOffer(was, before));
      if (is) add(ofOffer(is, after));
    }
  }
}

const own = <T>(things: Things<T>, id: string): T | undefined =>
  things && Object.hasOwn(things, id) ? things[id] : undefined;

/** Whether somebody who may change some markets may make a change. @param markets null: all */
export const withinMarkets = (touched: Touched, markets: ReadonlySet<string> | null): boolean =>
  markets === null || (touched !== 'all' && [...touched].every((market) => markets.has(market)));
