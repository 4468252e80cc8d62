import { atMostLargest, multiplyDivide, percentAsFraction } from '../../money/rounding.ts';
import type { PriceQuoted } from '../../policy/types.ts';
import { fraction, money, percent, text } from '../../trace/trace.ts';
import { quotedBy } from '../weighing.ts';
import type { PriceKindRecord } from './price-kind.ts';

/** A carrier's quote with its margins, the percentage rounded once; without a quote the fallback, or nothing (2-domain §4). */
export const carrierQuote: PriceKindRecord<PriceQuoted> = {
  kind: 'quoted',
  member: 'carrier',
  definition: 'priceQuoted',
  schema: {
    description: 'a carrier’s quote with margin',
    required: ['carrier'],
    properties: {
      carrier: { description: 'whose quote, as the shop names it', $ref: '#/$defs/id' },
      marginPercent: { $ref: '#/$defs/decimalPercent' },
      marginFixed: { $ref: '#/$defs/localAmount' },
      fallback: {
        description: 'the price when the carrier gives none; without it the line does not apply then',
        $ref: '#/$defs/localAmount',
      },
    },
  },
  offered: 'add a carrier’s quote',
  begin: () => ({ carrier: 'carrier', marginPercent: '10', fallback: { exact: 1500 } }),
  parts: ({ carrier, marginPercent = '0', marginFixed, fallback }) => [
    'what ',
    { field: 'name', at: ['carrier'], name: 'Carrier', value: carrier },
    ' quotes, and ',
    { field: 'percent', at: ['marginPercent'], name: 'Margin', value: marginPercent },
    ' % and ',
    { field: 'amount', at: ['marginFixed'], name: 'Fixed margin', value: marginFixed, empty: 'nothing' },
    '; when it is silent ',
    { field: 'amount', at: ['fallback'], name: 'Fallback', value: fallback, empty: 'nothing' },
  ],
  inWords({ carrier, marginPercent, marginFixed, fallback }, words) {
    const margins = [
      marginPercent && marginPercent !== '0' ? `${marginPercent} %` : '',
      marginFixed ? words.amount(marginFixed) : '',
    ].filter(Boolean);
    const silent = fallback ? words.amount(fallback) : 'nothing';
    return `${['what ' + carrier + ' quotes', ...margins].join(' and ')}, ${silent} when it is silent`;
  },
  check({ marginFixed, fallback }, amount, at) {
    if (marginFixed) amount(marginFixed, `${at}/marginFixed`);
    if (fallback) amount(fallback, `${at}/fallback`);
  },
  carrierOf: ({ carrier }) => carrier,
  isCertain: ({ fallback }) => fallback !== undefined,
  startOf: () => null,
  compile({ carrier, marginPercent = '0', ...amounts }, _range, _terms, minor) {
    const margin = percentAsFraction(marginPercent);
    const marginFixed = amounts.marginFixed ? minor(amounts.marginFixed) : 0;
    const fallback = amounts.fallback ? minor(amounts.fallback) : null;
    const { numerator, denominator } = margin;
    const priceOf = (quote: number | null) =>
      quote === null
        ? fallback
        : atMostLargest(multiplyDivide(atMostLargest(quote), numerator + denominator, denominator) + marginFixed);
    return {
      kind: 'quoted',
      quoted: { carrier, priceOf },
      priceOf: ({ quotes }, weighing) => priceOf(quotedBy(carrier, quotes, weighing)),
      edges: () => null,
      says({ quotes }, weighing, inputs) {
        const quote = quotedBy(carrier, quotes, weighing);
        inputs.carrier = text(carrier);
        if (quote === null) {
          inputs.fallback = money(fallback ?? 0);
          return 'the carrier {carrier} gave no quote, so it is {outcome}';
        }
        Object.assign(inputs, {
          quote: money(quote),
          margin: percent(marginPercent),
          marginFixed: money(marginFixed),
          ...fraction(margin),
        });
        const margins = [numerator > 0 ? '{margin}' : '', marginFixed > 0 ? '{marginFixed}' : ''].filter(Boolean);
        return `the carrier {carrier} quotes {quote}${margins.length > 0 ? `, and ${margins.join(' and ')} on top` : ''}: {outcome}`;
      },
    };
  },
};
