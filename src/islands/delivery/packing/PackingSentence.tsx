import { setAt } from '../../../client/edits/set-at.ts';
import type { PackingRules } from '../../../core/packing/rules.ts';
import { countInWords } from '../../../core/charges/count-in-words.ts';
import { EditedField } from '../../fields/EditedField.tsx';
import { orNone, parseGrams, parsePercent } from '../../fields/typed-text.ts';

/** How goods are packed, as a sentence whose words are typed over. @param path of the rules in the policy */
export function PackingSentence({ rules, path, whose }: { rules: PackingRules; path: string[]; whose: string }) {
  const grams = (
    field: 'packaging' | 'roundUpTo' | 'most',
    label: string,
    none: string,
    [least, most]: readonly [number, number],
  ) => (
    <EditedField
      label={`${label}, ${whose}`}
      shown={rules[field] === undefined ? '' : countInWords('weight', rules[field])}
      parse={orNone(parseGrams(least, most))}
      change={(value) => setAt([...path, field], value)}
      placeholder={none}
      live
      testId={`packing-${field}`}
    />
  );
  return (
    <>
      each parcel adds {grams('packaging', 'Packaging of a parcel', 'nothing', [0, 1_000_000])} of packaging and{' '}
      <EditedField
        label={`Percentage added, ${whose}`}
        shown={rules.percent === undefined ? '' : `${rules.percent} %`}
        parse={orNone(parsePercent)}
        change={(value) => setAt([...path, 'percent'], value)}
        placeholder="nothing"
        live
        testId="packing-percent"
      />{' '}
      of its goods’ weight, is rounded up to {grams('roundUpTo', 'Rounded up to', 'the gram', [1, 1_000_000])} and
      weighs at most {grams('most', 'The most a parcel may weigh', 'whatever it does', [1, 100_000_000])}
    </>
  );
}
