import type { Catalogue } from '../../core/catalogue/product.ts';
import { compilePolicy, type CompiledPolicy } from '../../core/evaluation/compile.ts';
import { inOrder } from '../../core/ordered.ts';
import type { Policy, Surface } from '../../core/policy/types.ts';
import { chargedInMarket, type ChargedInMarket } from '../../core/surfaces/compared/charged-in-market.ts';
import { compareFeed, compareRateSheet, type ComparedRows } from '../../core/surfaces/compared/compare-rows.ts';
import { compareStructuredData } from '../../core/surfaces/compared/compare-structured-data.ts';
import { compareText, type Listener } from '../../core/surfaces/compared/compare-text.ts';
import { withLines, type Compared } from '../../core/surfaces/compared/compared.ts';
import { askedOf } from '../published/asked-of.ts';
import type { ReadContent } from './read-content.ts';

/** What surfaces are compared with: releases, the newest first, at least one. A draft stands in for one as if it were released. */
export interface Beside {
  history: readonly { release: number; policy: Policy }[];
  catalogue: Catalogue;
  /** ms since 1970-01-01T00:00Z */
  instant: number;
}

const chargedKnown = new WeakMap<CompiledPolicy, { hour: number; markets: Map<string, ChargedInMarket> }>();
const hourOf = (instant: number) => Math.floor(instant / 3_600_000);

function chargedIn(policy: Policy, marketId: string, instant: number): ChargedInMarket | null {
  const compiled = compilePolicy(policy);
  const market = compiled.markets.get(marketId);
  if (!market) return null;
  let known = chargedKnown.get(compiled);
  if (known?.hour !== hourOf(instant))
    chargedKnown.set(compiled, (known = { hour: hourOf(instant), markets: new Map() }));
  let charged = known.markets.get(marketId);
  if (!charged) known.markets.set(marketId, (charged = chargedInMarket(compiled, market, instant)));
  return charged;
}

/** For whom a surface speaks: each of its markets in each of its languages. */
export function listenersOf(surface: Surface, { history, instant }: Beside): Listener[] {
  const { policy } = history[0]!;
  const chosen = Object.keys(surface.markets);
  return inOrder(policy.markets)
    .filter(([id]) => chosen.length === 0 || chosen.includes(id))
    .flatMap(([marketId, { currency, languages }]) => {
      const under = history.flatMap(({ release, policy: then }) => {
        const charged = chargedIn(then, marketId, instant);
        return charged ? [{ release, charged }] : [];
      });
      const spoken = surface.languages.length > 0 ? surface.languages : languages;
      return spoken.map((language) => ({ marketId, language, currency, history: under }));
    });
}

/** What a surface states beside what releases charge. Data are read as data, everything else as sentences. */
export function compareSurface(surface: Surface, read: ReadContent, beside: Beside): Compared {
  const listeners = listenersOf(surface, beside);
  const { format, text, structured, prices } = read;
  if (prices) return shownRows(compareFeed(prices, askedUnder(beside)));
  const rows = format === 'csv' ? compareRateSheet(text, beside.history) : null;
  if (rows) return shownRows(rows);
  const isData = format === 'json' && structured.length > 0;
  return structured.reduce(
    (compared: Compared, data) => withLines(compared, structuredLines(data, listeners, beside)),
    isData ? nothing : compareText(text, read.statements, listeners),
  );
}

const nothing: Compared = { shown: '', found: [], rightRows: 0 };
const shownRows = ({ lines, right }: ComparedRows): Compared => withLines({ ...nothing, rightRows: right }, lines);

const askedUnder = ({ history, catalogue, instant }: Beside) =>
  history.map(({ release, policy }) => ({ release, asked: askedOf(policy, catalogue, instant) }));

function structuredLines(data: unknown, listeners: readonly Listener[], { history }: Beside) {
  const { marketOfCountry } = compilePolicy(history[0]!.policy);
  return compareStructuredData(data, listeners, (country) => marketOfCountry.get(country)?.id ?? null);
}
