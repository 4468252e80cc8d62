import type { Gap } from '../../../core/reading/gap.ts';
import type { DatedRule } from '../../../core/reading/read-option.ts';
import type { AreaPart } from '../../../core/reading/read-areas.ts';
import type { ReadRule } from '../../../core/reading/read-rule.ts';
import { dateOfDay } from '../../../core/time/day.ts';
import type { Notation } from '../../page/page-context.tsx';
import { countryName } from '../../page/place-names.ts';
import { wordsFor } from '../words.ts';

/** How rules that were read from orders of a currency are said. */
export interface RuleWords {
  money: (minor: number) => string;
  /** what an option costs where it is not free */
  prices: (rule: Pick<ReadRule, 'measure' | 'steps'>) => string;
  /** between which amounts an edge may lie; empty where just one may be it */
  gap: (gap: Gap | null) => string;
  day: (day: number) => string;
  /** rules that held before, the newest first; empty: none are known */
  before: (rules: readonly DatedRule[]) => string;
  part: (part: AreaPart) => string;
}

const gramsPerKilogram = 1000;

export function ruleWords({ money: write, locale }: Notation, currency: string): RuleWords {
  const words = wordsFor(locale);
  const money = (minor: number) => write(minor, currency);
  const fine = new Intl.NumberFormat(locale, { maximumFractionDigits: 3 });
  const day = (at: number) => words.date(dateOfDay(at));
  const amount = (measure: ReadRule['measure'], value: number) => {
    if (measure === 'weight')
      return value >= gramsPerKilogram ? `${fine.format(value / gramsPerKilogram)} kg` : `${fine.format(value)} g`;
    return measure === 'items' ? `${words.count(value)} pieces` : money(value);
  };
  const prices: RuleWords['prices'] = ({ measure, steps }) => {
    const [first, ...further] = steps;
    if (!first) return 'free';
    return [
      money(first.price),
      ...further.map(({ from, price }) => `${money(price)} from ${amount(measure, from)}`),
    ].join(', ');
  };
  const whole = ({ steps, measure, free }: ReadRule) =>
    [prices({ steps, measure }), ...(free && steps.length > 0 ? [`free from ${money(free.from)}`] : [])].join(', ');
  return {
    money,
    prices,
    gap: (gap) =>
      gap && gap.until - gap.after > 1 ? `above ${money(gap.after)} and at ${money(gap.until)} at most` : '',
    day,
    before: (rules) =>
      [...rules]
        .reverse()
        .map(({ from, to, rule }) => `${day(from)} to ${day(to - 1)}: ${whole(rule)}`)
        .join('; '),
    part: ({ country, region, postcode }) =>
      postcode === null
        ? `${region ?? ''} in ${countryName(country, locale)}`
        : `postcodes ${postcode}… in ${countryName(country, locale)}`,
  };
}
