import type { ClaimKind, ClaimOf, Looking } from '../claim.ts';
import { optionInWords } from '../options-in-words.ts';
import { keptOf, selectedIn } from './selected.ts';

export const costsAtMost: ClaimKind<ClaimOf<'costsAtMost'>> = {
  kind: 'costsAtMost',
  called: 'cost at most',
  begin: (before) => ({ kind: 'costsAtMost', ...keptOf(before), of: 'each', atMost: 1500 }),
  says: ({ of, on, atMost }, policy, base) =>
    `${of} ${optionInWords(on, policy)} ${of === 'some' ? 'costs' : 'that can be chosen costs'} at most ${base(atMost)}`,
  find: ({ atMost, ...claim }, looking) => {
    const most = looking.local(atMost);
    return most === null ? null : dearerThan(most, claim, looking);
  },
};

export const free: ClaimKind<ClaimOf<'free'>> = {
  kind: 'free',
  called: 'are free',
  begin: (before) => ({ kind: 'free', ...keptOf(before) }),
  says: ({ of, on }, policy) =>
    `${of} ${optionInWords(on, policy)} ${of === 'some' ? 'is' : 'that can be chosen is'} free`,
  find: (claim, looking) => dearerThan(0, claim, looking),
};

/** Where some or each of the options costs more than an amount. Between two starts prices rise or stay: the ends are looked at, too. */
function dearerThan(
  most: number,
  { of, on }: Pick<ClaimOf<'free'>, 'of' | 'on'>,
  { along, stretches, money }: Looking,
): { value: number; says: string } | null {
  const selected = selectedIn(along, on);
  for (const value of stretches.flatMap(({ from, last }) => [from, last])) {
    const prices = along.pricesAt(value);
    const paid = selected.flatMap(({ index, name }) => {
      const price = prices[index];
      return price ? [{ name, after: price.after }] : [];
    });
    const dearer = paid.filter(({ after }) => after > most);
    const [first] = dearer.sort((a, b) => a.after - b.after);
    if (of === 'each' && first) return { value, says: `${dearer.at(-1)!.name} costs ${money(dearer.at(-1)!.after)}` };
    if (of === 'some' && dearer.length === paid.length)
      return {
        value,
        says: first ? `the cheapest, ${first.name}, costs ${money(first.after)}` : 'none of them can be chosen',
      };
  }
  return null;
}
