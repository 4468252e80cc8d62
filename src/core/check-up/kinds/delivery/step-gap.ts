import { chargeMeasureOf } from '../../../charges/charge-measure-of.ts';
import type { CompiledChargeLine } from '../../../charges/compile-charge.ts';
import type { CompiledRange } from '../../../charges/prices/price-kind.ts';
import { possibleRegion } from '../../../conditions/condition-region.ts';
import type { CompiledZone } from '../../../evaluation/compile.ts';
import type { CompiledOption } from '../../../options/compile-option.ts';
import { allOf, anyOf, askedTree, lineTree, noneOf, rangeTree } from '../../charge-trees.ts';
import { exampleThat } from '../../example-that.ts';
import type { Found, Unexamined } from '../../finding.ts';
import { tooMany } from '../../judged.ts';
import type { Examined, FindingKind } from '../../kind.ts';
import { amountOf, numbersOf, ofMeasure } from '../../line-words.ts';
import { zoneMemo } from '../../../evaluation/zone-memo.ts';
import { zonesOf } from '../../zones-of.ts';

/** An amount between two ranges of a charge that is in neither: a cart of that much cannot get the option. */
export const stepGap: FindingKind = {
  kind: 'stepGap',
  called: 'gaps between steps',
  stop: 'delivery',
  find: (examined) =>
    zonesOf(examined.compiled).flatMap((zone) =>
      gapsIn(zone).map((gap) => ('because' in gap ? gap : told(gap, zone, examined))),
    ),
};

/** Between two lines. */
interface Gap {
  option: CompiledOption;
  range: CompiledRange;
  below: CompiledChargeLine;
  above: CompiledChargeLine;
}

const gapsIn = zoneMemo((zone) => zone.options.flatMap((option) => gapsOf(option, zone)));

function gapsOf(option: CompiledOption, zone: CompiledZone): (Gap | Unexamined)[] {
  const { charge } = option;
  if (charge.otherwise !== null) return [];
  const between = gapsBetween(charge.lines);
  if (between.length === 0) return [];
  const asked = askedTree(option, zone);
  const lines = anyOf(charge.lines.map((line) => lineTree(line, option, zone)));
  return between.flatMap(({ range, below, above }): (Gap | Unexamined)[] => {
    const left = possibleRegion(allOf(asked, rangeTree(range, charge, zone.market.terms), noneOf(lines)));
    if (left === null) return [{ at: `/options/${option.id}/charge`, because: tooMany(option.option.name) }];
    return left.length === 0 ? [] : [{ option, range, below, above }];
  });
}

/** Stretches of a measure between those of lines. */
function gapsBetween(lines: readonly CompiledChargeLine[]): Omit<Gap, 'option'>[] {
  const gaps: Omit<Gap, 'option'>[] = [];
  for (const measure of new Set(lines.flatMap(({ range }) => (range ? [range.measure] : [])))) {
    const ranged = lines
      .flatMap((line) => (line.range?.measure === measure ? [{ line, range: line.range }] : []))
      .sort((a, b) => a.range.from - b.range.from);
    let reached = ranged[0]!;
    for (const next of ranged.slice(1)) {
      if (next.range.from > reached.range.to)
        gaps.push({
          range: { measure, from: reached.range.to, to: next.range.from },
          below: reached.line,
          above: next.line,
        });
      if (next.range.to > reached.range.to) reached = next;
    }
  }
  return gaps;
}

function told({ option, range, below, above }: Gap, zone: CompiledZone, examined: Examined): Found {
  const { measure, from, to } = range;
  const { id, option: stated, charge } = option;
  const words = (amount: number) => amountOf(measure, amount, zone.market.market.currency, examined.locale);
  const numbers = numbersOf(stated.charge);
  const single = to - from === 1;
  const stretch = single ? `For exactly ${words(from)}` : `From ${words(from)} to below ${words(to)}`;
  const shown = exampleThat(examined, zone, 'Between two steps', ({ cart, unavailable }) => {
    if (!cart || !unavailable.some(({ optionId }) => optionId === id)) return false;
    const amount = chargeMeasureOf(measure, cart, charge.weighing);
    return amount >= from && amount < to;
  });
  return {
    severity: single ? 'wrong' : 'risky',
    at: `/options/${id}/charge/lines/${below.id}`,
    key: `${measure} ${numbers.get(above.id)}`,
    marketId: zone.market.id,
    sentence: `${stretch} ${ofMeasure(measure)} “${stated.name}” has no price: line ${numbers.get(below.id)} ends and line ${numbers.get(above.id)} has not begun.`,
    example: shown?.cart ?? null,
    remedy: {
      says: `Let line ${numbers.get(below.id)} reach line ${numbers.get(above.id)}`,
      patch: [
        {
          op: 'replace',
          path: `/options/${id}/charge/lines/${below.id}/over/to`,
          value: stated.charge.lines[above.id]!.over!.from,
        },
      ],
    },
  };
}
