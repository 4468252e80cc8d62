import { guest } from '../cart/shopper.ts';
import { anybody, classesOf, classOf, type ShopperClass } from '../conditions/shopper-class.ts';
import { conditionsOfOption } from '../conditions/leaves.ts';
import type { Condition, Destination } from '../policy/types.ts';
import type { CompiledZone } from './compile.ts';
import type { Situation } from './context.ts';

/** So many classes at most are told apart. */
const mostClasses = 60;

/**
 * The kinds of shoppers that the conditions, codes and channels of some zones tell apart: a guest, one for each way in which a
 * condition can hold, one for each offer that a code unlocks, one for each channel.
 *
 * @param now ms since 1970-01-01T00:00Z
 * @returns null where conditions come to too many ways to be looked at
 */
export function shopperClasses(zones: readonly CompiledZone[], now: number): ShopperClass[] | null {
  const classes = new Map([[anybody.id, anybody]]);
  const add = (one: ShopperClass) => classes.set(one.id, one);
  for (const zone of zones) {
    const { qualifiers } = zone.policy;
    const { terms } = zone.market;
    for (const condition of conditionsOf(zone)) {
      const found = classesOf(condition, qualifiers, terms, now);
      if (found === null) return null;
      for (const one of found) add(one);
    }
    for (const { offer } of zone.offers) {
      const [code] = 'codes' in offer.unlock ? Object.keys(offer.unlock.codes) : [];
      if (code !== undefined) add(classOf(guest, [code], undefined));
    }
    for (const { channels } of zone.options) for (const channel of channels ?? []) add(classOf(guest, [], channel));
    if (classes.size > mostClasses) return null;
  }
  return [...classes.values()];
}

const known = new WeakMap<CompiledZone, { now: number; classes: ShopperClass[] | null }>();

/** The same of one zone, kept for as long as the moment is the same. */
export function classesOfZone(zone: CompiledZone, now: number): ShopperClass[] | null {
  let last = known.get(zone);
  if (last?.now !== now) known.set(zone, (last = { now, classes: shopperClasses([zone], now) }));
  return last.classes;
}

/** A zone, or some of what it offers. */
export type PartsOfZone = Pick<CompiledZone, 'policy' | 'market' | 'options' | 'offers' | 'notices'>;

/** Every condition that is asked in some of a zone. */
export const conditionsOf = ({ options, offers, notices }: PartsOfZone): Condition[] => [
  ...options.flatMap(({ option }) => conditionsOfOption(option)),
  ...offers.flatMap(({ offer }) => offer.when ?? []),
  ...notices.flatMap(({ notice }) => notice.when ?? []),
];

/** Somebody of a class, there and then. */
export const situationOf = (
  { shopper, codes, channel }: ShopperClass,
  destination: Destination,
  instant: number,
): Situation => ({
  destination,
  instant,
  shopper,
  ...(codes.length > 0 ? { codes } : {}),
  ...(channel === undefined ? {} : { channel }),
});
