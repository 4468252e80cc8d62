import { compilePolicy } from '../../evaluation/compile.ts';
import { toDecimal } from '../../money/decimal.ts';
import type { AreaPart, DeliveryOption, Market, Policy, Zone } from '../../policy/types.ts';
import { localTime } from '../../time/time-zone-clock.ts';
import { optionLabel } from '../../wording/option-label.ts';
import type { Stretch } from '../words/charge-in-words.ts';
import type { Asked } from './generated.ts';
import type { PriceRow, RowPrice } from './price-rows.ts';
import { standingZones } from './standing-market.ts';

type Node = { '@type': string } & Record<string, unknown>;

/**
 * What a market’s delivery costs in schema.org’s shipping vocabulary: an OfferShippingDetails for each option of each zone, with
 * the price of an order without a goal, and a ShippingService that says all of them. Of charges that are no
 * plain amounts the least is said. What carriers say, options with conditions, and areas around a point are left out.
 */
export function structuredData({ policy, instant }: Asked, marketId: string, language: string): object {
  const market = compilePolicy(policy).markets.get(marketId)!;
  const details = standingZones(policy, market, instant).flatMap(({ zone, prices, options }) => {
    const destinations = regionsOf(zone.zone, market.market);
    if (destinations.length === 0) return [];
    return options.flatMap(({ option }, index) =>
      option.when || option.schedule || option.channels || option.kind === 'pickUp'
        ? []
        : detailsOf(prices.rowsOf(index), destinations, {
            policy,
            option,
            label: optionLabel(option, language, market.market.languages),
            currency: market.market.currency,
            instant,
            least: isCarriers(option) ? null : prices.leastOf(index),
          }),
    );
  });
  return { '@context': 'https://schema.org', '@graph': details };
}

const isCarriers = ({ charge }: DeliveryOption): boolean =>
  Object.values(charge.lines).some(({ price }) => 'carrier' in price);

interface Setting {
  policy: Policy;
  option: DeliveryOption;
  label: string;
  currency: string;
  instant: number;
  /** of a charge that is no plain amount; null: a carrier says it */
  least: number | null;
}

function detailsOf(rows: readonly PriceRow[], shippingDestination: readonly Node[], setting: Setting): Node[] {
  const { currency, least } = setting;
  const conditions = rows.flatMap(({ stretches, price }): Node[] => {
    const within = Object.assign({}, ...stretches.map((stretch) => limitOf(stretch, currency))) as object;
    if ('offered' in price) return [{ '@type': 'ShippingConditions', ...within, doesNotShip: true }];
    const shippingRate = rateOf(price, least, currency);
    return shippingRate ? [{ '@type': 'ShippingConditions', ...within, shippingRate }] : [];
  });
  const first = rows.map(({ price }) => rateOf(price, least, currency))[0];
  if (!first) return [];
  return [
    {
      '@type': 'OfferShippingDetails',
      shippingRate: first,
      shippingDestination,
      deliveryTime: timeOf(setting),
      hasShippingService: { '@type': 'ShippingService', name: setting.label, shippingConditions: conditions },
    },
  ];
}

/** An amount; of a charge that is none, the least that it comes to. Null where nothing can be said. */
function rateOf(price: RowPrice, least: number | null, currency: string): Node | null {
  if ('amount' in price) return amountOf(price.amount, currency);
  if ('offered' in price || least === null || price.less.length > 0) return null;
  return { '@type': 'MonetaryAmount', minValue: Number(toDecimal(least, currency)), currency };
}

const amountOf = (minor: number, currency: string): Node => ({
  '@type': 'MonetaryAmount',
  value: Number(toDecimal(minor, currency)),
  currency,
});

/** A stretch as a limit; both ends of schema.org’s are included. */
function limitOf({ measure, from, to }: Stretch, currency: string): Record<string, Node> {
  const last = to === null ? null : to - 1;
  const between = (write: (value: number) => number) => ({
    ...(from > 0 ? { minValue: write(from) } : {}),
    ...(last === null ? {} : { maxValue: write(last) }),
  });
  if (measure === 'goodsValue')
    return {
      orderValue: {
        '@type': 'MonetaryAmount',
        ...between((minor) => Number(toDecimal(minor, currency))),
        currency,
      },
    };
  if (measure === 'items') return { numItems: { '@type': 'QuantitativeValue', ...between((count) => count) } };
  // GRM is the gram in UN/CEFACT’s Recommendation 20.
  return { weight: { '@type': 'QuantitativeValue', ...between((grams) => grams), unitCode: 'GRM' } };
}

/** Days of the week as schema.org names them, from Monday on. */
const days = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'];

function timeOf({ policy, option, instant }: Setting): Node {
  const { min, max, unit, cutOff, calendar } = option.estimate;
  const working = (calendar === undefined ? undefined : policy.calendars?.[calendar])?.workingDays ?? [1, 2, 3, 4, 5];
  const count = (minValue: number, maxValue: number, unitCode: string): Node => ({
    '@type': 'QuantitativeValue',
    minValue,
    maxValue,
    unitCode,
  });
  return {
    '@type': 'ShippingDeliveryTime',
    handlingTime: count(0, cutOff === undefined ? 0 : 1, 'DAY'),
    transitTime: count(min, max, unit === 'hours' ? 'HUR' : 'DAY'),
    ...(cutOff === undefined ? {} : { cutoffTime: `${cutOff}:00${offsetAt(policy.store.timeZone, instant)}` }),
    businessDays: {
      '@type': 'OpeningHoursSpecification',
      dayOfWeek: working.map((day) => `https://schema.org/${days[day - 1]}`),
    },
  };
}

/** How far a clock is ahead of UTC: `+01:00`. */
function offsetAt(timeZone: string, instant: number): string {
  const { day, minute } = localTime(timeZone, instant);
  const utc = localTime('UTC', instant);
  const ahead = (day - utc.day) * 1440 + minute - utc.minute;
  const two = (count: number) => String(count).padStart(2, '0');
  return `${ahead < 0 ? '-' : '+'}${two(Math.floor(Math.abs(ahead) / 60))}:${two(Math.abs(ahead) % 60)}`;
}

/** Places that an area takes in, as far as the vocabulary has words for them. */
function regionsOf({ area }: Zone, { countries }: Market): Node[] {
  return Object.values(area.include).flatMap((part) => regionOf(part, countries));
}

function regionOf(part: AreaPart, countries: readonly string[]): Node[] {
  const region = (more: object): Node => ({ '@type': 'DefinedRegion', ...more });
  switch (part.kind) {
    case 'wholeMarket':
      return countries.map((addressCountry) => region({ addressCountry }));
    case 'country':
      return [region({ addressCountry: part.country })];
    case 'region':
      return [region({ addressCountry: part.region.slice(0, 2), addressRegion: part.region.slice(3) })];
    case 'postcodes':
      return Object.keys(part.patterns).flatMap((pattern) => {
        const postcodes = postcodesOf(pattern);
        return postcodes ? [region({ addressCountry: part.country, ...postcodes })] : [];
      });
    case 'radius':
      return [];
  }
}

/** A pattern as a range, a common beginning, or a code; null for one with a gap inside. */
function postcodesOf(pattern: string): object | null {
  const [postalCodeBegin, postalCodeEnd] = pattern.split('..');
  if (postalCodeEnd !== undefined)
    return { postalCodeRange: { '@type': 'PostalCodeRangeSpecification', postalCodeBegin, postalCodeEnd } };
  if (!/[*?]/.test(pattern)) return { postalCode: pattern };
  const beginning = /^([^*?]+)\*$/.exec(pattern)?.[1];
  return beginning === undefined ? null : { postalCodePrefix: beginning };
}

/** As it stands in a page, between script tags: what could end them is written otherwise. */
export function structuredDataText(data: object): string {
  return `${JSON.stringify(data, null, 2).replaceAll('<', '\\u003c')}\n`;
}
