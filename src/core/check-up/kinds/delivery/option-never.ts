import { possibleRegion } from '../../../conditions/condition-region.ts';
import type { CompiledZone } from '../../../evaluation/compile.ts';
import type { CompiledOption } from '../../../options/compile-option.ts';
import { allOf, anyOf, askedTree, conditionTree, inZone, lineTree } from '../../charge-trees.ts';
import type { Found, Unexamined } from '../../finding.ts';
import { isWritten, judged, tooMany } from '../../judged.ts';
import type { FindingKind } from '../../kind.ts';
import { zoneMemo } from '../../../evaluation/zone-memo.ts';
import { zonesOf } from '../../zones-of.ts';

/** An option that no cart can get, whatever is in it, whoever buys and when. */
export const optionNever: FindingKind = {
  kind: 'optionNever',
  called: 'options that no cart can get',
  stop: 'delivery',
  find: ({ compiled }) => zonesOf(compiled).flatMap((zone) => known(zone)),
};

const known = zoneMemo((zone) => zone.options.flatMap((option) => neverOffered(option, zone)));

function neverOffered(option: CompiledOption, zone: CompiledZone): (Found | Unexamined)[] {
  const { id, option: stated, charge } = option;
  const { name } = stated;
  const at = `/options/${id}`;
  const found = (at: string, sentence: string): Found[] => [
    { severity: 'risky', at, marketId: zone.market.id, sentence, example: null, remedy: null },
  ];
  if (isWritten(stated.when)) {
    const holds = judged(conditionTree(stated.when, zone.policy.qualifiers, zone.market.terms), inZone(zone));
    if (holds === null) return [{ at, because: tooMany(name) }];
    if (holds === 'never') return found(`${at}/when`, `No cart can get “${name}”: its condition holds for none.`);
  }
  const ranged = charge.lines.some(({ when, range }) => when === null && (range === null || !isWritten(stated.when)));
  if (charge.otherwise !== null || ranged) return [];
  const lines = anyOf(charge.lines.map((line) => lineTree(line, option, zone)));
  const priced = possibleRegion(allOf(askedTree(option, zone), lines));
  if (priced === null) return [{ at, because: tooMany(name) }];
  if (priced.length > 0) return [];
  // One with nothing but goods that ship free is not charged, and gets it for nothing.
  return found(`${at}/charge`, `No cart that is charged can get “${name}”: no line of its charge applies to any.`);
}
