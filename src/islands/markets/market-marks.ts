import { inOrder } from '../../core/ordered.ts';
import type { Policy } from '../../core/policy/types.ts';

/** How a market is told on the board: its number in the list, and one of four tints that go round. */
export interface MarketMark {
  id: string;
  name: string;
  number: number;
  tint: 1 | 2 | 3 | 4;
}

export interface Coverage {
  marks: MarketMark[];
  /** country → the market that names it */
  named: Map<string, MarketMark>;
  /** the market that takes every country that none names */
  elsewhere: MarketMark | null;
}

export function coverageOf(markets: Policy['markets']): Coverage {
  const marks = inOrder(markets).map(([id, { name }], index): MarketMark => ({
    id,
    name,
    number: index + 1,
    tint: ((index % 4) + 1) as MarketMark['tint'],
  }));
  const named = new Map(marks.flatMap((mark) => markets[mark.id]!.countries.map((code) => [code, mark] as const)));
  return { marks, named, elsewhere: marks.find(({ id }) => markets[id]!.elsewhere) ?? null };
}
