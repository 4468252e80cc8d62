import type { CompiledMarket } from '../evaluation/compile.ts';
import type { Condition, Policy } from '../policy/types.ts';
import { conditionTree, inMarket } from './charge-trees.ts';
import type { Found, Unexamined } from './finding.ts';
import { isWritten, judged, tooMany } from './judged.ts';
import type { Examined } from './kind.ts';

/** Something with a condition that is asked in some markets. */
export interface Conditioned {
  id: string;
  name: string;
  when: Condition | undefined;
  isIn: (marketId: string) => boolean;
}

/** What is said of a condition that holds for no cart, or for every one, in all the markets in which it is asked. */
export function conditionsJudged(
  { compiled }: Examined,
  root: 'offers' | 'notices',
  entries: readonly Conditioned[],
  says: 'never' | 'always',
): (Found | Unexamined)[] {
  const markets = [...compiled.markets.values()];
  return entries.flatMap(({ id, name, when, isIn }): (Found | Unexamined)[] => {
    const where = markets.filter((market) => isIn(market.id));
    if (!isWritten(when) || where.length === 0) return [];
    const at = `/${root}/${id}/when`;
    const verdicts = new Set(where.map((market) => judgedIn(when, market, compiled.policy)));
    if (verdicts.has(null)) return says === 'never' ? [{ at, because: tooMany(name) }] : [];
    if (verdicts.size > 1 || !verdicts.has(says)) return [];
    return [
      says === 'never'
        ? {
            severity: 'risky',
            at,
            marketId: null,
            sentence: `“${name}” is on, but its condition holds for nobody.`,
            example: null,
            remedy: null,
          }
        : {
            severity: 'remark',
            at,
            marketId: null,
            sentence: `The condition of “${name}” holds for everybody: it says nothing.`,
            example: null,
            remedy: { says: 'Take the condition away', patch: [{ op: 'remove', path: at }] },
          },
    ];
  });
}

const known = new WeakMap<
  Condition,
  WeakMap<CompiledMarket['terms'], { qualifiers: unknown; verdict: ReturnType<typeof judged> }>
>();

function judgedIn(when: Condition, market: CompiledMarket, { qualifiers }: Policy): ReturnType<typeof judged> {
  let inMarkets = known.get(when);
  if (!inMarkets) known.set(when, (inMarkets = new WeakMap()));
  const last = inMarkets.get(market.terms);
  if (last && last.qualifiers === qualifiers) return last.verdict;
  const verdict = judged(conditionTree(when, qualifiers, market.terms), inMarket(market));
  inMarkets.set(market.terms, { qualifiers, verdict });
  return verdict;
}
