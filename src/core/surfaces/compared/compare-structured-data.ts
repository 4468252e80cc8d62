import { parseAmount, toDecimal } from '../../money/decimal.ts';
import { isCurrency } from '../../money/currency.ts';
import type { Statement, WrittenAmount } from '../statements/statement.ts';
import { compareStatement } from './compare-statement.ts';
import { bestOf, type Listener } from './compare-text.ts';
import type { DataLine } from './compared.ts';

type Node = Record<string, unknown>;

/** So deep, and so many nodes, are looked through. */
const deepest = 40;
const mostNodes = 20_000;

/**
 * What schema.org data state of delivery: each rate of OfferShippingDetails and ShippingConditions, and each threshold from which
 * delivery is free. Read as data: no words decide.
 *
 * @param marketOfCountry the market that a country is in; null: none
 */
export function compareStructuredData(
  data: unknown,
  listeners: readonly Listener[],
  marketOfCountry: (country: string) => string | null,
): DataLine[] {
  const lines: DataLine[] = [];
  let seen = 0;
  const visit = (value: unknown, countries: readonly string[], depth: number): void => {
    if (typeof value !== 'object' || value === null || depth > deepest || ++seen > mostNodes) return;
    if (Array.isArray(value)) {
      for (const one of value) visit(one, countries, depth + 1);
      return;
    }
    const node = value as Node;
    const named = countriesOf(node.shippingDestination);
    const here = named.length > 0 ? named : countries;
    const type = typeof node['@type'] === 'string' ? node['@type'] : '';
    for (const statement of statementsOf(type, node)) {
      const markets = new Set(here.map(marketOfCountry));
      const asked = here.length > 0 ? listeners.filter(({ marketId }) => markets.has(marketId)) : listeners;
      const best = bestOf(asked.map(({ marketId, history }) => ({ marketId, verdict: verdictOf(statement, history) })));
      lines.push({ ...lineOf(type, here, statement), ...best });
    }
    for (const child of Object.values(node)) visit(child, here, depth + 1);
  };
  visit(data, [], 0);
  return lines;
}

/** Data say that one order pays nothing, not that every order does. */
function verdictOf(statement: Statement, history: Listener['history']) {
  if (statement.kind !== 'free') return compareStatement(statement, history);
  return compareStatement(
    statement,
    history.map(({ release, charged }) => ({ release, charged: { ...charged, allFree: charged.someFree } })),
  );
}

function statementsOf(type: string, node: Node): Statement[] {
  if (type === 'OfferShippingDetails') return priceOf(node.shippingRate);
  if (type === 'ShippingConditions') {
    const from = amountIn(node.orderValue, 'minValue');
    const rate = amountIn(node.shippingRate, 'value');
    // The price of a stretch of orders that begins somewhere is one of the market’s prices, or its goal where it is nothing.
    return rate?.minor === 0 && from ? [{ kind: 'goal', amount: from, start: 0, end: 0 }] : priceOf(node.shippingRate);
  }
  if (type !== 'ShippingRateSettings') return [];
  const threshold = amountIn(node.freeShippingThreshold, 'value');
  return threshold
    ? [{ kind: 'goal', amount: threshold, start: 0, end: 0 }, ...priceOf(node.shippingRate)]
    : priceOf(node.shippingRate);
}

function priceOf(rate: unknown): Statement[] {
  const amount = amountIn(rate, 'value') ?? amountIn(rate, 'minValue') ?? amountIn(rate, 'maxValue');
  if (!amount) return [];
  if (amount.minor === 0) return [{ kind: 'free', start: 0, end: 0 }];
  return [{ kind: 'price', amount, start: 0, end: 0 }];
}

function amountIn(node: unknown, member: 'value' | 'minValue' | 'maxValue'): WrittenAmount | null {
  if (typeof node !== 'object' || node === null) return null;
  const { [member]: value, currency } = node as Node;
  if (typeof currency !== 'string' || !isCurrency(currency)) return null;
  if (typeof value !== 'number' && typeof value !== 'string') return null;
  const parsed = parseAmount(String(value), currency);
  return parsed.ok ? { minor: parsed.minor, currency, start: 0, end: 0 } : null;
}

function countriesOf(destination: unknown): string[] {
  return [destination].flat().flatMap((one: unknown) => {
    const country = typeof one === 'object' && one !== null ? (one as Node).addressCountry : undefined;
    const name = typeof country === 'object' && country !== null ? (country as Node).name : country;
    return typeof name === 'string' && /^[A-Z]{2}$/.test(name) ? [name] : [];
  });
}

function lineOf(
  type: string,
  countries: readonly string[],
  statement: Statement,
): Pick<DataLine, 'line' | 'start' | 'end' | 'kind'> {
  const where = [type, countries.slice(0, 5).join(' ')].filter((part) => part !== '').join(', ');
  const amount = 'amount' in statement ? statement.amount : null;
  const said = amount ? amountText(statement.kind, amount) : 'free';
  return {
    line: `${where}: ${said}`,
    start: where.length + 2,
    end: where.length + 2 + said.length,
    kind: statement.kind,
  };
}

const amountText = (kind: Statement['kind'], { minor, currency }: WrittenAmount): string =>
  `${kind === 'goal' ? 'free from ' : ''}${toDecimal(minor, currency)} ${currency}`;
