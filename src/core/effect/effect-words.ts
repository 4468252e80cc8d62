import { countInWords } from '../charges/count-in-words.ts';
import type { MessageState } from '../evaluation/evaluation.ts';
import type { Destination, Policy } from '../policy/types.ts';
import { stateName } from '../wording/text-address.ts';
import { dayInWords } from '../wording/day-in-words.ts';
import { speakerName } from '../wording/text-speaker.ts';
import type { Difference, Paid, Read } from './difference.ts';
import type { EffectEntry } from './effect.ts';
import { anybody } from '../conditions/shopper-class.ts';

/** What an effect is said with. */
export interface EffectSaying {
  was: Policy;
  is: Policy;
  /** minor units of the market's currency */
  money: (minor: number) => string;
  /** BCP 47, in which days are written */
  language: string;
}

/** So many kinds of shoppers are named. */
const mostNamed = 3;

/** For whom: where a guest is among them, all who are not told apart from one. */
export function classesInWords({ classes }: EffectEntry): string {
  if (classes.some(({ id }) => id === anybody.id)) return 'shoppers in general';
  const names = classes.map(({ name }) => name);
  const more = names.length - mostNamed;
  return more > 0 ? `${names.slice(0, mostNamed).join(', ')} and ${more} more kinds of shoppers` : names.join(', ');
}

/** In which zone, and at which place of it where a condition names one; where something moved, from which. */
export function placeInWords(
  { zoneId, movedFrom, named, destination }: EffectEntry,
  { was, is }: Pick<EffectSaying, 'was' | 'is'>,
): string {
  const nameOf = (id: string) => (is.zones[id] ?? was.zones[id])?.name ?? id;
  const there = movedFrom === undefined && !named ? '' : ` (${destinationInWords(destination)})`;
  const from =
    movedFrom === undefined ? '' : `, ${movedFrom === null ? 'in no zone' : `in ${nameOf(movedFrom)}`} before`;
  return `${nameOf(zoneId)}${there}${from}`;
}

const destinationInWords = ({ country, region, postcode, residential }: Destination): string =>
  [
    region ?? country,
    ...(postcode === '' ? [] : [postcode]),
    ...(residential === undefined ? [] : [residential ? 'a home' : 'a business']),
  ].join(' ');

/** When, where it is not at each moment: “at this moment”, or as of another. */
function momentInWords({ when, moments }: EffectEntry, reader: { timeZone: string; language: string }): string {
  if (when === 'always') return '';
  if (when === 'now') return 'at this moment';
  return `as on ${dayInWords(moments[0]!, reader, true)}`;
}

/** Along which goods: “from €75.00 to below €79.00”, “from 2 kg on, with goods of €50.00,”. */
function stretchInWords(
  { axis, order, from, to }: Pick<EffectEntry, 'axis' | 'order' | 'from' | 'to'>,
  money: (minor: number) => string,
): string {
  const write = axis === 'goodsValue' ? money : (count: number) => countInWords(axis, count);
  const goods = order === null ? '' : `, with goods of ${money(order)},`;
  if (from === 0) return to === null ? `whatever the goods come to${goods}` : `below ${write(to)}${goods}`;
  return `${to === null ? `from ${write(from)} on` : `from ${write(from)} to below ${write(to)}`}${goods}`;
}

/** An entry as a sentence in three parts: where and for whom, along which goods and when, and what is otherwise. */
export function entryInWords(
  entry: EffectEntry,
  saying: EffectSaying,
): { market: string; stretch: string; whom: string; what: string } {
  const market = saying.is.markets[entry.marketId] ?? saying.was.markets[entry.marketId];
  const clock = market?.timeZone ?? saying.is.store.timeZone;
  const when = momentInWords(entry, { timeZone: clock, language: saying.language });
  const says = differencesInWords(entry.differences, saying).join('; ');
  return {
    market: market?.name ?? entry.marketId,
    stretch: [stretchInWords(entry, saying.money), when].filter(Boolean).join(', '),
    whom: `${placeInWords(entry, saying)}, ${classesInWords(entry)}`,
    what: `${says}${entry.varies ? ' at first, and other amounts further on' : ''}.`,
  };
}

/** What is otherwise, a clause each, what is paid first. */
function differencesInWords(differences: readonly Difference[], saying: EffectSaying): string[] {
  // That another text of an offer is read once its goal is reached, or not any more, goes without saying.
  const told = new Set(differences.flatMap((one) => (one.what === 'goal' ? [one.offerId] : [])));
  const implied = (one: Difference) =>
    one.what === 'message' && one.was?.speakerId === one.is?.speakerId && told.has(one.is?.speakerId ?? '');
  return differences
    .filter((one) => !implied(one))
    .map((difference) => {
      switch (difference.what) {
        case 'option':
          return optionInWords(difference, saying);
        case 'goal':
          return `the goal of “${speakerName(difference.is ? saying.is : saying.was, difference.offerId)}” is ${difference.is ? 'reached' : 'not reached any more'}`;
        case 'message':
          return messageInWords(difference, saying);
      }
    });
}

function optionInWords(
  { optionId, was, is, wasBefore, isBefore }: Extract<Difference, { what: 'option' }>,
  { was: before, is: after, money }: EffectSaying,
): string {
  const name = `“${(after.options[optionId] ?? before.options[optionId])?.name ?? optionId}”`;
  const paid = (minor: NonNullable<Paid>) => (minor === 0 ? 'nothing' : money(minor));
  if (was === null) return `${name} can be chosen, for ${paid(is!)}`;
  if (is === null) return `${name} cannot be chosen any more (it cost ${paid(was)})`;
  if (was !== is) return `${name} costs ${paid(is)} instead of ${paid(was)}`;
  return `${name} costs ${paid(is)} as before, before offers ${paid(isBefore!)} instead of ${paid(wasBefore!)}`;
}

function messageInWords({ was, is }: Extract<Difference, { what: 'message' }>, saying: EffectSaying): string {
  if (was && is && was.speakerId === is.speakerId && was.state === is.state) {
    const [before, after] = [ofTarget(was, saying, saying.was), ofTarget(is, saying, saying.is)];
    return before === after
      ? `shoppers read another text of ${textOf(is, saying.is)}`
      : `shoppers read of ${after} instead of ${before}`;
  }
  const read = is ? `shoppers read ${textOf(is, saying.is)}` : 'shoppers read nothing';
  return `${read} instead of ${was ? textOf(was, saying.was) : 'nothing'}`;
}

const textOf = ({ speakerId, state }: Read, policy: Policy): string =>
  `“${speakerName(policy, speakerId)}”${state === null ? '' : `, ${stateName(state satisfies MessageState)}`}`;

/** A goal in what it counts. */
function ofTarget({ speakerId, goalId, target }: Read, { money }: EffectSaying, policy: Policy): string {
  const measure = goalId === null ? undefined : policy.offers[speakerId]?.goals[goalId]?.measure.kind;
  if (measure === 'countedValue') return money(target);
  return measure === 'weight' ? `${target} g` : `${target} items`;
}
