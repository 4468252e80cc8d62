import { sameCondition } from '../../../conditions/same-condition.ts';
import type { CompiledChargeLine } from '../../../charges/compile-charge.ts';
import type { CompiledRange } from '../../../charges/prices/price-kind.ts';
import type { CompiledOption } from '../../../options/compile-option.ts';
import type { FindingKind } from '../../kind.ts';
import { amountOf, numbersOf, ofMeasure } from '../../line-words.ts';
import { zonesOf } from '../../zones-of.ts';

/**
 * Two ranges that reach into one another without one holding the other, where the first that applies decides: *correlation* in
 * an ordered list of rules (Al-Shaer & Hamed 2004). Moving one line above the other changes prices there.
 */
export const stepsOverlap: FindingKind = {
  kind: 'stepsOverlap',
  called: 'steps that reach into one another',
  stop: 'delivery',
  find: ({ compiled, locale }) =>
    zonesOf(compiled).flatMap(({ market, options }) =>
      options.flatMap((option) =>
        overlapsOf(option).map(({ first, second, shared }) => {
          const { option: stated, id } = option;
          const { measure, from, to } = shared;
          const numbers = numbersOf(stated.charge);
          const words = (amount: number) => amountOf(measure, amount, market.market.currency, locale);
          return {
            severity: 'remark' as const,
            at: `/options/${id}/charge/lines/${second.id}`,
            key: String(numbers.get(first.id)),
            marketId: market.id,
            sentence: `From ${words(from)} to below ${words(to)} ${ofMeasure(measure)} lines ${numbers.get(first.id)} and ${numbers.get(second.id)} of “${stated.name}” both apply; line ${numbers.get(first.id)} decides.`,
            example: null,
            remedy: null,
          };
        }),
      ),
    ),
};

interface Overlap {
  first: CompiledChargeLine;
  second: CompiledChargeLine;
  shared: CompiledRange;
}

const known = new WeakMap<CompiledOption, Overlap[]>();

function overlapsOf(option: CompiledOption): Overlap[] {
  let overlaps = known.get(option);
  if (!overlaps) known.set(option, (overlaps = found(option)));
  return overlaps;
}

function found({ option, charge }: CompiledOption): Overlap[] {
  if (charge.combine !== 'first') return [];
  const whenOf = ({ id }: CompiledChargeLine) => option.charge.lines[id]!.when;
  return charge.lines.flatMap((second, index) =>
    charge.lines.slice(0, index).flatMap((first): Overlap[] => {
      const [a, b] = [first.range, second.range];
      if (!a || !b || a.measure !== b.measure || a.from >= b.to || b.from >= a.to) return [];
      const shared = { measure: a.measure, from: Math.max(a.from, b.from), to: Math.min(a.to, b.to) };
      const oneHolds = (one: CompiledRange) => shared.from === one.from && shared.to === one.to;
      if (oneHolds(a) || oneHolds(b) || !sameCondition(whenOf(first), whenOf(second))) return [];
      return [{ first, second, shared }];
    }),
  );
}
