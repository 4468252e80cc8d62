import { shadowedLines } from '../../../charges/shadowed-lines.ts';
import { possibleRegion } from '../../../conditions/condition-region.ts';
import type { CompiledZone } from '../../../evaluation/compile.ts';
import type { CompiledOption } from '../../../options/compile-option.ts';
import { allOf, anyOf, askedTree, lineTree, noneOf } from '../../charge-trees.ts';
import type { Found, Unexamined } from '../../finding.ts';
import { tooMany } from '../../judged.ts';
import type { FindingKind } from '../../kind.ts';
import { numbersOf } from '../../line-words.ts';
import { zoneMemo } from '../../../evaluation/zone-memo.ts';
import { zonesOf } from '../../zones-of.ts';

/**
 * A line of a charge that no cart ever takes, because lines above take all that it would: *shadowing* in an ordered list of
 * rules (Al-Shaer & Hamed 2004, Discovery of Policy Anomalies in Distributed Firewalls, as general literature).
 */
export const shadowedLine: FindingKind = {
  kind: 'shadowedLine',
  called: 'lines that are never taken',
  stop: 'delivery',
  find: ({ compiled }) => zonesOf(compiled).flatMap((zone) => known(zone)),
};

const known = zoneMemo((zone) =>
  zone.options.flatMap((option): (Found | Unexamined)[] => {
    const { id, option: stated } = option;
    const numbers = numbersOf(stated.charge);
    return [...shadowedIn(option, zone)].map(([line, by]) => {
      const at = `/options/${id}/charge/lines/${line}`;
      if (by === null) return { at, because: tooMany(stated.name) };
      const above = by.map((one) => numbers.get(one)).join(' and ');
      return {
        severity: 'risky',
        at,
        marketId: zone.market.id,
        sentence: `Line ${numbers.get(line)} of “${stated.name}” is never taken: ${by.length > 1 ? 'lines' : 'line'} ${above} above ${by.length > 1 ? 'take' : 'it takes'} all its carts.`,
        example: null,
        remedy: { says: 'Remove the line', patch: [{ op: 'remove', path: at }] },
      };
    });
  }),
);

/** Line → the lines above that take its carts; null: not examined. */
function shadowedIn(option: CompiledOption, zone: CompiledZone): Map<string, string[] | null> {
  const { charge } = option;
  const shadowed = new Map<string, string[] | null>(shadowedLines(option.option.charge, zone.market.terms.money));
  if (charge.combine !== 'first') return shadowed;
  // A line that waits for a carrier takes nothing for certain.
  const takes = charge.lines.filter(({ price: { quoted } }) => !quoted || quoted.priceOf(null) !== null);
  const asked = askedTree(option, zone);
  for (const [index, line] of charge.lines.entries()) {
    const above = takes.filter((one) => charge.lines.indexOf(one) < index && !shadowed.has(one.id));
    if (shadowed.has(line.id) || !above.some(({ when }) => when !== null)) continue;
    const own = allOf(asked, lineTree(line, option, zone));
    const trees = above.map((one) => lineTree(one, option, zone));
    const region = possibleRegion(own);
    // One that applies to no cart is told as that.
    if (region?.length === 0) continue;
    const left = region && possibleRegion(allOf(own, noneOf(anyOf(trees))));
    if (left === null) shadowed.set(line.id, null);
    else if (left.length === 0)
      shadowed.set(
        line.id,
        above.filter((_, at) => possibleRegion(allOf(own, trees[at]!))?.length !== 0).map(({ id }) => id),
      );
  }
  return shadowed;
}
