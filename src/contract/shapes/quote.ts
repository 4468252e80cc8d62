import { Type } from '@sinclair/typebox';
import { optionKinds } from '../../core/options/kinds/registry.ts';
import type { FaultOfAnswer } from '../../core/options/questions/check-answers.ts';
import { questionKinds } from '../../core/options/questions/registry.ts';
import type { OptionKind, Question } from '../../core/policy/types.ts';
import type { QuoteAnswer } from '../../core/quote/quote-answer.ts';
import { ProblemShape } from './problem.ts';
import { SignedByShape, type SignedBy } from './signed-quote.ts';
import { flag, list, minor, moment, named, nullable, object, optional, text, whole, word, written } from '../shape.ts';

/** What a shop is told, and the release that it is told from. */
export interface Quote extends QuoteAnswer {
  release: number;
  /** carriers that were asked and gave no quote: prices that wait for them are their fallback */
  carriersSilent: string[];
  /** carriers that gave no quote now, and for which what they said last stands in */
  carriersLastKnown: string[];
  /** what is wrong with the answers that were handed back, in words for whoever builds the shop; null: none were */
  answerFaults: (FaultOfAnswer & { message: string })[] | null;
  /** the arm of an experiment that the shopper is in; empty: no experiment goes on there, or the shopper takes no part */
  arms: { experiment: string; offer: string; arm: string }[];
  /** products each of which reaches the goal ahead, the cheapest first; null: not asked for, or no goal is ahead */
  closing: QuotedClosing[] | null;
  /** what is kept for the shopper; null: nothing was to be */
  reserved: Reserved | null;
  /** null: it was not asked to be */
  signed: SignedBy | null;
}

/** A product that reaches the goal ahead when it is added so many times; tried in the cart. */
export interface QuotedClosing {
  product: string;
  sku: string;
  name: string;
  quantity: number;
  /** what is added to the cart, minor units as the market shows prices */
  cost: number;
}

/** Offers of which a use is kept for the shopper, and until when (ISO 8601). */
export interface Reserved {
  offers: string[];
  until: string;
}

/** What a shop is told before it is signed. */
export type UnsignedQuote = Omit<Quote, 'signed'>;

const described = (description: string) => ({ description });
const state = word('invite', 'progress', 'nearly', 'reached', 'onward', 'missedOut', 'notice');
/** Who speaks: an offer with one of its goals, or a notice. */
const speaker = { offer: nullable(text), goal: nullable(text), notice: nullable(text) };
const given = object({ offer: text, goal: text });
const totals = object({
  goods: minor,
  goodsReward: minor,
  delivery: minor,
  tax: minor,
  toPay: minor,
  taxes: list(object({ rate: text, tax: minor }), described('by rate, a decimal percentage')),
});
const place = object({
  id: text,
  name: text,
  address: object({ street: text, postcode: text, town: text, country: text }),
  coordinates: nullable(object({ latitude: Type.Number(), longitude: Type.Number() })),
  hours: nullable(written({ type: 'object', description: 'weekday (1 Monday to 7 Sunday) → open from and to' })),
  instructions: nullable(text),
});

export const QuoteShape = named(
  'Quote',
  written<Quote>(
    object({
      release: whole,
      market: nullable(text),
      zone: nullable(text),
      currency: nullable(text),
      pricesIncludeTax: nullable(flag),
      lines: list(
        object({
          product: text,
          sku: text,
          quantity: whole,
          unitPrice: minor,
          value: minor,
          afterDiscounts: minor,
          afterRewards: minor,
          taxRate: text,
          tax: minor,
        }),
        described('as priced; those of one product are one'),
      ),
      goodsValue: nullable(minor),
      options: list(
        object({
          id: text,
          kind: written<OptionKind>({ type: 'string', enum: optionKinds.all.map(({ kind }) => kind) }),
          label: text,
          description: nullable(text),
          place: nullable(place),
          priceBefore: minor,
          priceAfter: minor,
          tax: minor,
          estimate: object({
            unit: word('workingDays', 'hours'),
            min: whole,
            max: whole,
            leaves: text,
            earliest: text,
            latest: text,
          }),
          waitsFor: nullable(
            object({ product: text, days: whole }, described('the slowest of the goods, and its working days')),
          ),
          questions: list(
            object({
              key: text,
              kind: written<Question['kind']>({ type: 'string', enum: questionKinds.all.map(({ kind }) => kind) }),
              label: text,
              required: flag,
              longest: whole,
              choices: nullable(list(object({ key: text, label: text }))),
            }),
            described('asked of whoever takes it'),
          ),
          picture: nullable(object({ address: text, alt: text })),
          totals,
          setBy: list(given),
        }),
      ),
      unavailable: list(
        object({
          id: text,
          reason: word('otherChannel', 'notNow', 'conditionNotMet', 'noLineApplies', 'carrierSilent'),
          label: text,
          shown: Type.Boolean(described('whether shoppers are to see that it exists')),
          text: nullable(text),
        }),
      ),
      noOptions: nullable(
        word('noMarket', 'noZone', 'goodsBarred', 'nothingToDeliver', 'zoneWithoutOptions', 'noneApplies'),
      ),
      outOfArea: nullable(text),
      preselected: nullable(text),
      earlier: nullable(
        object(
          {
            optionId: text,
            still: word('same', 'cheaper', 'dearer', 'gone'),
            was: minor,
            now: optional(minor),
            because: optional(text),
          },
          described('what became of the earlier choice'),
        ),
      ),
      totals: nullable(totals),
      goals: list(
        object({
          offer: text,
          status: word('inForce', 'notYet', 'over', 'notForShopper', 'usedUp', 'needsCode'),
          goal: text,
          measure: word('value', 'items', 'weight'),
          target: nullable(Type.Integer(described('minor units, pieces or grams; null: a code alone reaches it'))),
          counted: whole,
          remaining: nullable(Type.Integer(described('null when no promise can be made'))),
          remainingAtBest: nullable(
            Type.Integer(
              described(
                'what is enough for goods that the discounts on certain goods treat best; null where all are treated alike',
              ),
            ),
          ),
          percent: whole,
          reached: Type.Boolean(described('only while the offer is in force')),
          byCode: flag,
        }),
      ),
      gifts: list(object({ offer: text, goal: text, product: text, quantity: whole })),
      carriersSilent: list(text),
      carriersLastKnown: list(text, described('carriers that gave no quote now; what they said last stands in')),
      answerFaults: nullable(
        list(
          object({
            question: text,
            fault: word('missing', 'tooLong', 'notATelephone', 'notOffered', 'notAsked'),
            message: text,
          }),
          described('what is wrong with the answers handed back; null where none were'),
        ),
      ),
      arms: list(
        object({ experiment: text, offer: text, arm: text }),
        described(
          'the arm of an experiment that this shopper is in; empty where no experiment goes on, where the shopper takes no part, and without shopperKey',
        ),
      ),
      closing: nullable(
        list(
          object({ product: text, sku: text, name: text, quantity: whole, cost: minor }),
          described(
            'products each of which reaches the goal ahead when it is added, the cheapest first; null: not asked for, or no goal is ahead',
          ),
        ),
      ),
      reserved: nullable(
        object(
          { offers: list(text), until: moment },
          described('offers limited in all of which a use is kept for the shopper; null: nothing was to be reserved'),
        ),
      ),
      signed: nullable(SignedByShape),
      goodsRewards: list(given, described('which offers took something off the goods')),
      messages: list(
        object({
          place: text,
          text,
          language: text,
          state,
          ...speaker,
          percent: nullable(Type.Integer(described('null: a notice, beside which no bar stands'))),
          deadline: nullable(moment),
        }),
      ),
      lead: nullable(object({ ...speaker, state })),
      percent: nullable(whole),
      deadline: nullable(
        Type.String({ format: 'date-time', ...described('the first minute after the offer that leads') }),
      ),
      look: object({
        style: word('filled', 'ruled', 'label'),
        colours: object({ ground: text, ink: text, bar: text }),
        position: word('top', 'bottom'),
        closable: flag,
        countdownWithin: optional(whole),
        silentIn: optional(written({ type: 'object' })),
      }),
    }),
  ),
);

/** What became of each cart, in the order in which they were sent: a quote, or why there is none. */
export const QuotesShape = object({
  quotes: list(object({ quote: nullable(QuoteShape), problem: nullable(ProblemShape) })),
});

export const CurrentShape = object({
  release: nullable(Type.Integer({ description: 'null: nothing has been released yet' })),
  catalogue: Type.Integer({ description: 'becomes another whenever products do' }),
});
