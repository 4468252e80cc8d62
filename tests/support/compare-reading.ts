import type { ReadMarket } from '../../src/core/reading/read-store.ts';
import type { ReadRule } from '../../src/core/reading/read-rule.ts';
import type { Compared, RandomStore, TrueMarket, TrueRule } from './random-stores.ts';

const firstDay = 20_000;
const lastDay = 20_360;
const enoughNear = 30;

interface Edge {
  kind: 'step' | 'free';
  at: number;
  option: string;
  from: number;
  to: number;
}

/** Compares what was read with the truth: an edge is found where one is read at the same amount in at least half of its days. */
export function compareReading(store: RandomStore, read: readonly ReadMarket[]): Compared {
  const compared: Compared = {
    wanted: 0,
    found: 0,
    read: 0,
    wrong: 0,
    explained: [0, store.explained],
    markets: [0, store.markets.length],
  };
  compared.explained[0] = read.reduce((sum, { explained }) => sum + explained, 0);
  for (const [i, market] of store.markets.entries()) {
    const found = read.filter(({ currency }) => currency === market.currency);
    if (found.length === 1 && found[0]!.countries.join() === market.countries.join()) compared.markets[0]++;
    const trueEdges = edgesOf(market.options.map(({ option, rules }) => ({ option, rules: datedOf(rules) })));
    const readEdges = found.flatMap(({ read: { options } }) =>
      edgesOf(
        options.map(({ option, read: one }) => ({
          option,
          rules: one.rules.map((dated) => ({ ...dated, rule: asTrue(dated.rule) })),
        })),
      ),
    );
    compared.read += readEdges.length;
    compared.wrong += readEdges.filter((edge) => !trueEdges.some((truth) => isSame(edge, truth))).length;
    for (const edge of trueEdges) {
      if (near(store, i, market, edge) < enoughNear) continue;
      compared.wanted++;
      if (readEdges.some((one) => isSame(one, edge))) compared.found++;
    }
  }
  return compared;
}

const asTrue = ({ measure, steps, free }: ReadRule): TrueRule => ({
  fromDay: 0,
  measure,
  steps,
  freeFrom: free?.from ?? null,
});

const datedOf = (rules: readonly TrueRule[]) =>
  rules.map((rule, i) => ({
    from: firstDay + rule.fromDay,
    to: firstDay + (rules[i + 1]?.fromDay ?? lastDay - firstDay),
    rule,
  }));

function edgesOf(
  options: readonly { option: string; rules: readonly { from: number; to: number; rule: TrueRule }[] }[],
): Edge[] {
  return options.flatMap(({ option, rules }) =>
    rules.flatMap(({ from, to, rule }): Edge[] => [
      ...rule.steps.slice(1).map((step): Edge => ({ kind: 'step', at: step.from, option, from, to })),
      ...(rule.freeFrom === null ? [] : [{ kind: 'free' as const, at: rule.freeFrom, option, from, to }]),
    ]),
  );
}

function isSame(one: Edge, other: Edge): boolean {
  const shared = Math.min(one.to, other.to) - Math.max(one.from, other.from);
  return (
    one.kind === other.kind &&
    one.option === other.option &&
    one.at === other.at &&
    shared * 2 >= Math.min(one.to - one.from, other.to - other.from)
  );
}

/** Orders in its days on the emptier side of an edge, within a tenth of it. */
function near({ orders }: RandomStore, index: number, market: TrueMarket, edge: Edge): number {
  const { columns, shipments } = orders[index]!;
  const { rules } = market.options.find(({ option }) => option === edge.option)!;
  const { measure } = rules[0]!;
  const byGoods = edge.kind === 'free' || measure === 'value' || measure === 'none';
  const other = measure === 'weight' ? shipments.grams : columns.items;
  const by = byGoods ? columns.goods : other;
  let [below, above] = [0, 0];
  for (let i = 0; i < columns.count; i++) {
    if (
      columns.options[columns.option[i]!] !== edge.option ||
      columns.day[i]! < edge.from ||
      columns.day[i]! >= edge.to
    )
      continue;
    const { freeFrom } = rules.findLast(({ fromDay }) => firstDay + fromDay <= columns.day[i]!)!;
    if (edge.kind === 'step' && freeFrom !== null && columns.goods[i]! >= freeFrom) continue;
    const value = by[i]!;
    if (measure === 'items' && edge.kind === 'step' ? value === edge.at - 1 : value < edge.at && value >= edge.at * 0.9)
      below++;
    else if (value >= edge.at && value <= edge.at * 1.1) above++;
  }
  return Math.min(below, above);
}
