import { shadowedLines } from '../../charges/shadowed-lines.ts';
import { Memo } from '../../memo.ts';
import type { LocalMoney } from '../../money/local-amount.ts';
import { inOrder } from '../../ordered.ts';
import type { Charge } from '../../policy/types.ts';
import type { FindingKind } from '../kind.ts';

const shadowedKnown = new Memo((charge: Charge, { money }: { money: LocalMoney }) => shadowedLines(charge, money));

/**
 * A line of a charge that no cart ever takes, because lines above take all that it would: *shadowing* in an ordered list of
 * rules (Al-Shaer & Hamed 2004, Discovery of Policy Anomalies in Distributed Firewalls, as general literature).
 */
export const shadowedLine: FindingKind = {
  kind: 'shadowedLine',
  called: 'lines that are never taken',
  stop: 'delivery',
  find: ({ compiled }) =>
    [...compiled.markets.values()].flatMap(({ id: marketId, terms, zones }) =>
      zones.flatMap(({ options }) =>
        options.flatMap(({ id, option }) => {
          return [...shadowedKnown.get(option.charge, { money: terms.money })].map(([line, by]) => {
            const at = `/options/${id}/charge/lines/${line}`;
            const numbers = numbersOf(option.charge);
            const above = by.map((one) => numbers.get(one)).join(' and ');
            return {
              severity: 'risky',
              at,
              marketId,
              sentence: `Line ${numbers.get(line)} of “${option.name}” is never taken: line ${above} above it takes all its carts.`,
              example: null,
              remedy: { says: 'Remove the line', patch: [{ op: 'remove', path: at }] },
            };
          });
        }),
      ),
    ),
};

const numbersOf = ({ lines }: Charge): Map<string, number> =>
  new Map(inOrder(lines).map(([line], index) => [line, index + 1]));
