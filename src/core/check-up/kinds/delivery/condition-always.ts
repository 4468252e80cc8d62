import type { CompiledZone } from '../../../evaluation/compile.ts';
import type { CompiledOption } from '../../../options/compile-option.ts';
import { askedTree, conditionTree, inZone } from '../../charge-trees.ts';
import type { Found } from '../../finding.ts';
import { isWritten, judged } from '../../judged.ts';
import type { FindingKind } from '../../kind.ts';
import { numbersOf } from '../../line-words.ts';
import { zoneMemo } from '../../../evaluation/zone-memo.ts';
import { zonesOf } from '../../zones-of.ts';

/** A condition of an option, or of a line of its charge, that holds for every cart it is asked of, so that it says nothing. */
export const optionConditionAlways: FindingKind = {
  kind: 'optionConditionAlways',
  called: 'conditions that always hold',
  stop: 'delivery',
  find: ({ compiled }) => zonesOf(compiled).flatMap((zone) => known(zone)),
};

const known = zoneMemo((zone) => zone.options.flatMap((option) => saysNothing(option, zone)));

function saysNothing(option: CompiledOption, zone: CompiledZone): Found[] {
  const { option: stated, id, charge } = option;
  const always = (condition: typeof stated.when, place: ReturnType<typeof inZone>) =>
    isWritten(condition) &&
    judged(conditionTree(condition, zone.policy.qualifiers, zone.market.terms), place) === 'always';
  const found = (at: string, whose: string): Found => ({
    severity: 'remark',
    at,
    marketId: zone.market.id,
    sentence: `The condition of ${whose} holds for every cart: it says nothing.`,
    example: null,
    remedy: { says: 'Take the condition away', patch: [{ op: 'remove', path: at }] },
  });
  const own = always(stated.when, inZone(zone)) ? [found(`/options/${id}/when`, `“${stated.name}”`)] : [];
  const lines = charge.lines.flatMap((line) => {
    if (!always(stated.charge.lines[line.id]!.when, askedTree(option, zone))) return [];
    const number = numbersOf(stated.charge).get(line.id);
    return [found(`/options/${id}/charge/lines/${line.id}/when`, `line ${number} of “${stated.name}”`)];
  });
  return [...own, ...lines];
}
