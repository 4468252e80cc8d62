import { compilePolicy } from '../../evaluation/compile.ts';
import type { DeliveryOption, Policy } from '../../policy/types.ts';
import { directionOf } from '../../wording/languages/languages.ts';
import { optionLabel } from '../../wording/option-label.ts';
import { textIn } from '../../wording/text-in.ts';
import { areaInWords, countriesInWords } from '../words/area-in-words.ts';
import { chargeInWords, isPacked, stretchInWords, type Stretch } from '../words/charge-in-words.ts';
import { conditionInWords } from '../words/condition-in-words.ts';
import { SurfaceWriter } from '../words/surface-writer.ts';
import type { Asked } from './generated.ts';
import { offersInWords, scheduleInWords, type OfferInWords } from './offers-in-words.ts';
import type { PriceRow, RowPrice } from './price-rows.ts';
import { standingZones, type StandingZone } from './standing-market.ts';

/** What a page on delivery says of a market, in one language. */
export interface PolicyPage {
  language: string;
  direction: 'ltr' | 'rtl';
  title: string;
  intro: string[];
  /** of the tables of all zones */
  headings: [option: string, order: string, price: string, arrives: string];
  zones: ZoneOnPage[];
  offers: { title: string; list: OfferInWords[] };
  elsewhere: { title: string; text: string };
}

export interface ZoneOnPage {
  id: string;
  name: string;
  places: string;
  options: OptionOnPage[];
  /** in place of options where there are none */
  none: string | null;
}

export interface OptionOnPage {
  id: string;
  label: string;
  /** for whom and when it is, and where it is collected */
  notes: string[];
  arrives: string;
  /** at least one */
  rows: { order: string; price: string }[];
}

/** What the page on delivery of a market says. Amounts are those that everybody is charged; what some are given is among the offers. */
export function policyPage(asked: Asked, marketId: string, language: string): PolicyPage {
  const { policy, instant } = asked;
  const writer = new SurfaceWriter(asked, marketId, language);
  const compiledMarket = compilePolicy(policy).markets.get(marketId)!;
  const { market } = compiledMarket;
  const say = writer.say.bind(writer);
  return {
    language,
    direction: directionOf(language),
    title: say('title'),
    intro: [
      say('intro', { countries: countriesInWords(writer) }),
      say(market.tax.prices === 'withTax' ? 'taxIncluded' : 'taxAdded'),
      ...((market.cashIncrement ?? 1) > 1 ? [say('rounded', { amount: writer.money(market.cashIncrement!) })] : []),
      ...(asked.ownPrices(marketId) ? [say('ownPrices')] : []),
    ],
    headings: [say('option'), say('order'), say('price'), say('arrives')],
    zones: standingZones(policy, compiledMarket, instant).map((zone) => zoneOnPage(zone, writer, asked)),
    offers: { title: say('offers'), list: offersInWords(compiledMarket, writer, instant) },
    elsewhere: {
      title: say('elsewhere'),
      text: textIn(market.outOfArea, language, market.languages) ?? say('outOfArea'),
    },
  };
}

function zoneOnPage({ zone, prices, options }: StandingZone, writer: SurfaceWriter, asked: Asked): ZoneOnPage {
  return {
    id: zone.id,
    name: zone.zone.name,
    places: writer.say('places', { places: areaInWords(zone.zone.area, writer, asked.regionName) }),
    options: options.map(({ id, option }, index): OptionOnPage => {
      const write = (price: RowPrice) =>
        priceInWords(price, () => chargeInWords(option.charge, writer, isPacked(option, asked.policy)), writer);
      return {
        id,
        label: optionLabel(option, writer.language, writer.market.languages),
        notes: notesOf(option, asked.policy, writer),
        arrives: arrivesInWords(option, writer),
        rows: joined(prices.rowsOf(index), write, writer),
      };
    }),
    none: options.length === 0 ? writer.say('nowhere') : null,
  };
}

/** Rows with their words; neighbours by goods value alone that say the same price are one. */
function joined(rows: readonly PriceRow[], write: (price: RowPrice) => string, writer: SurfaceWriter) {
  const parts: { stretches: readonly Stretch[]; price: string }[] = [];
  for (const { stretches, price } of rows) {
    const said = write(price);
    const last = parts.at(-1);
    const [before, goods] = [last?.stretches[0], stretches[0]];
    if (last?.price === said && before && goods && last.stretches.length === 1 && stretches.length === 1)
      last.stretches = [{ ...before, to: goods.to }];
    else parts.push({ stretches, price: said });
  }
  return parts.map(({ stretches, price }) => {
    const order = stretches.map((stretch) => stretchInWords(stretch, writer)).filter((part) => part !== null);
    return { order: order.length > 0 ? writer.clauses(order) : writer.say('everyOrder'), price };
  });
}

function priceInWords(price: RowPrice, charge: () => string, writer: SurfaceWriter): string {
  if ('amount' in price) return price.amount === 0 ? writer.say('free') : writer.money(price.amount);
  if ('offered' in price) return writer.say('notOffered');
  return price.less.reduce((said, reward) => {
    if (reward.kind === 'deliveryLessPercent' && 'percentDecimal' in reward)
      return writer.say('givePercent', { options: said, percent: writer.percent(reward.percentDecimal) });
    if (reward.kind === 'deliveryLessAmount' && 'amount' in reward)
      return writer.say('giveAmount', { options: said, amount: writer.money(reward.amount) });
    return said;
  }, charge());
}

function notesOf(option: DeliveryOption, policy: Policy, writer: SurfaceWriter): string[] {
  const { when, schedule, channels, description } = option;
  const place = option.place === undefined ? undefined : policy.places?.[option.place];
  const described = textIn(description, writer.language, writer.market.languages);
  return [
    ...(described === null ? [] : [described]),
    ...(place ? [`${place.name}, ${place.address.street}, ${place.address.postcode} ${place.address.town}`] : []),
    ...(channels ? [writer.say('onlyIn', { channels: writer.list(channels, 'disjunction') })] : []),
    ...(schedule ? scheduleInWords(schedule, writer) : []),
    ...(when ? [writer.say('onlyIf', { conditions: conditionInWords(when, writer) })] : []),
  ];
}

/** “2 to 3 working days, leaves the same day when ordered before 16:00”. */
export function arrivesInWords({ estimate }: DeliveryOption, writer: SurfaceWriter): string {
  const { min, max, unit, cutOff } = estimate;
  const one = unit === 'hours' ? 'hours' : 'days';
  const said = min === max ? writer.say(one, { count: max }) : writer.say(`${one}Between`, { min, max });
  if (cutOff === undefined) return said;
  return writer.clauses([said, writer.say(unit === 'hours' ? 'cutOffHours' : 'cutOff', { time: writer.time(cutOff) })]);
}
