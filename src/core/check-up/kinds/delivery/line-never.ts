import { possibleRegion } from '../../../conditions/condition-region.ts';
import type { CompiledZone } from '../../../evaluation/compile.ts';
import type { CompiledOption } from '../../../options/compile-option.ts';
import { allOf, askedTree, lineTree } from '../../charge-trees.ts';
import type { Found, Unexamined } from '../../finding.ts';
import { tooMany } from '../../judged.ts';
import type { FindingKind } from '../../kind.ts';
import { numbersOf } from '../../line-words.ts';
import { zoneMemo } from '../../../evaluation/zone-memo.ts';
import { zonesOf } from '../../zones-of.ts';

/** A line that applies to no cart: what it asks for contradicts itself, or what its option asks for. */
export const lineNever: FindingKind = {
  kind: 'lineNever',
  called: 'lines that contradict themselves',
  stop: 'delivery',
  find: ({ compiled }) => zonesOf(compiled).flatMap((zone) => known(zone)),
};

const known = zoneMemo((zone) => zone.options.flatMap((option) => contradicting(option, zone)));

function contradicting(option: CompiledOption, zone: CompiledZone): (Found | Unexamined)[] {
  const { id, option: stated, charge } = option;
  const looking = charge.lines.filter(({ when, range }) => when !== null || (range !== null && option.when !== null));
  if (looking.length === 0) return [];
  const asked = askedTree(option, zone);
  // Of one that nobody can get that is said.
  if (possibleRegion(asked)?.length === 0) return [];
  return looking.flatMap((line): (Found | Unexamined)[] => {
    const at = `/options/${id}/charge/lines/${line.id}`;
    const where = possibleRegion(allOf(asked, lineTree(line, option, zone)));
    if (where === null) return [{ at, because: tooMany(stated.name) }];
    if (where.length > 0) return [];
    return [
      {
        severity: 'risky',
        at,
        marketId: zone.market.id,
        sentence: `Line ${numbersOf(stated.charge).get(line.id)} of “${stated.name}” applies to no cart: what it asks for contradicts ${line.when ? 'itself or its option' : 'its option'}.`,
        example: null,
        remedy: charge.lines.length > 1 ? { says: 'Remove the line', patch: [{ op: 'remove', path: at }] } : null,
      },
    ];
  });
}
