import { currencyExponent } from '../../money/currency.ts';
import { inOrder } from '../../ordered.ts';
import { renderText } from '../../wording/render.ts';
import { ownText, type SurfaceWriter } from './surface-writer.ts';
import { shippedWords, sourceWords } from './known-languages.ts';
import type { SurfaceTextId } from './surface-words.ts';
import { valuesOf } from './text-fault.ts';

type Value = (writer: SurfaceWriter) => string | number;

/** About what delivery costs in a market’s currency: five times its usual unit, a hundred times where that is small. Minor units */
const usualPrice = ({ market: { currency } }: SurfaceWriter): number =>
  5 * 10 ** Math.max(currencyExponent(currency), 2);

const money =
  (times: number): Value =>
  (writer) =>
    writer.money(times * usualPrice(writer));

/** @param grams */
const weight =
  (grams: number): Value =>
  (writer) =>
    writer.count('weight', grams);

const firstDay: Value = (writer) => writer.moment('2027-11-26T00:00');

/** The names of a market’s options as the store wrote them, one after another. */
const options =
  (from: number, to: number): Value =>
  (writer) => {
    const { zones, options: all } = writer.policy;
    const names = inOrder(all).flatMap(([, { zone, name }]) => (zones[zone]?.market === writer.marketId ? [name] : []));
    return writer.list(names.slice(from, to)) || writer.say('everyDelivery');
  };

const countries: Value = (writer) =>
  writer.list(writer.market.countries.slice(0, 2).map((code) => writer.country(code)));
const point: Value = (writer) => Object.values(writer.policy.places ?? {})[0]?.name ?? writer.policy.store.name;
const goods: Value = (writer) => writer.say('anyGoods');

/** What stands for each value that a text can name, as it comes in the market that is looked at. */
const samples: Readonly<Record<string, Value>> = {
  amount: money(2),
  price: money(1),
  goal: money(15),
  value: money(15),
  from: money(15),
  to: money(30),
  percent: (writer) => writer.percent('20'),
  count: () => 3,
  min: () => 2,
  max: () => 4,
  countries,
  places: countries,
  others: (writer) => writer.country(writer.market.countries.at(-1)!),
  country: (writer) => writer.country(writer.market.countries[0]!),
  postcodes: () => '1000–1999',
  first: (writer) => writer.say('signedIn'),
  second: (writer) => writer.say('firstOrder'),
  distance: (writer) => writer.distance(25, 'km'),
  point,
  what: (writer) => writer.say('weight'),
  unit: (writer) => writer.unit('weight', 1000),
  parts: (writer) => writer.list([money(1)(writer) as string, money(2)(writer) as string]),
  order: (writer) => writer.say('firstOrder'),
  conditions: (writer) => writer.say('firstOrder'),
  until: (writer) => writer.moment('2027-12-24T00:00'),
  at: firstDay,
  channels: () => 'web',
  time: (writer) => writer.time('17:00'),
  options: options(0, 1),
  gift: (writer) => writer.say('giveFree', { options: options(0, 1)(writer) }),
  product: goods,
  fact: (writer) => writer.say('goodsCounted'),
  goods,
  names: (writer) => writer.list(['A', 'B']),
};

/** Values that are of another kind in some texts than in most. */
const otherwise = new Map<SurfaceTextId, Readonly<Record<string, Value>>>([
  ['rounded', { amount: money(0.01) }],
  ['perUnitBeyond', { from: weight(5000) }],
  ['perStartedBeyond', { from: weight(5000) }],
  ['from', { from: weight(5000) }],
  ['below', { to: weight(5000) }],
  ['between', { from: weight(5000), to: weight(20_000) }],
  ['priceBetween', { from: money(1), to: money(2) }],
  ['giveUpgrade', { others: options(1, 2) }],
  ['onlyBetween', { from: firstDay }],
  ['onlyFrom', { from: firstDay }],
]);

/** A text of generated surfaces as it comes out in a market, with values as they may come; null: it cannot be filled. */
export function surfaceTextSample(id: SurfaceTextId, writer: SurfaceWriter): string | null {
  const values = Object.fromEntries(
    valuesOf(id).map((name) => [name, (otherwise.get(id)?.[name] ?? samples[name]!)(writer)]),
  );
  const { policy, language } = writer;
  const text = ownText(policy, id, language) ?? (shippedWords(language) ?? sourceWords)[id];
  return renderText(text, language, values);
}
