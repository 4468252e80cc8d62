import type { CompiledMarket, CompiledPolicy } from '../../evaluation/compile.ts';
import type { CompiledGoal, CompiledOffer } from '../../offers/compile-offer.ts';
import { inOrder } from '../../ordered.ts';
import type { Policy } from '../../policy/types.ts';
import { saysFree } from '../free-words.ts';
import { formattedArguments, type TextValues } from '../arguments.ts';
import { faultsAt } from '../policy-faults.ts';
import { renderText } from '../render.ts';
import { nothing } from '../samples.ts';
import { textAt, type TextAddress } from '../text-address.ts';
import { speaksInMarket } from '../text-speaker.ts';
import { usedArguments } from '../used-arguments.ts';
import { givenBy } from './given.ts';
import { offeredInMarket } from './offered-in-market.ts';
import type { OutsideState } from './outside-states.ts';
import { unsaid } from './unsaid.ts';

/** Why there is nothing to copy. */
export type Withheld = 'notWritten' | 'givesNothing' | 'notFree' | 'notFilled';

/** A text for outside, filled for a market and a language in which it is read there. */
export interface OutsideText {
  marketId: string;
  language: string;
  /** a line for each goal, those alike once; null: `withheld` says why */
  text: string | null;
  withheld: Withheld | null;
  /** what holds and the text does not say, in clauses */
  unsaid: string[];
}

/** For whom texts are filled. */
export interface OutsideWriter {
  /** in which what is left unsaid is told */
  locale: string;
  /** whether goods with a delivery price of their own are sold in a market */
  ownPrices: (marketId: string) => boolean;
  /** whose texts are filled */
  written: Policy;
}

/**
 * An offer's text for outside as it is to be copied, in every market that the offer is for and every language of it. Texts
 * do not fall back to other languages here: what is missing is said instead. Amounts are those that the compiled policy
 * enforces, which need not be the one whose texts are filled.
 */
export function outsideTexts(
  compiled: CompiledPolicy,
  offerId: string,
  state: OutsideState,
  { locale, ownPrices, written }: OutsideWriter,
): OutsideText[] {
  const { policy } = compiled;
  const offer = Object.hasOwn(policy.offers, offerId) ? policy.offers[offerId] : undefined;
  if (!offer) return [];
  return [...compiled.markets.values()]
    .filter(({ id }) => speaksInMarket(policy, offerId, id))
    .flatMap((market) => {
      const offered = offeredInMarket(market, offerId, offer);
      return market.market.languages.map((language): OutsideText => {
        const address = { speakerId: offerId, state, place: 'everyPlace', language } as const;
        const text = textAt(written, address);
        const used = usedArguments(text ?? '');
        const filled = text === undefined ? 'notWritten' : fill(compiled, address, text, market, offered);
        const lines = typeof filled === 'string' ? null : filled;
        return {
          marketId: market.id,
          language,
          text: lines && lines.join('\n'),
          withheld: typeof filled === 'string' ? filled : null,
          unsaid: lines
            ? unsaid({ policy, market, offer, offered, used, locale, ownPrices: ownPrices(market.id) })
            : [],
        };
      });
    });
}

function fill(
  { policy }: CompiledPolicy,
  address: TextAddress,
  text: string,
  { market, terms }: CompiledMarket,
  { goals, zones }: ReturnType<typeof offeredInMarket>,
): string[] | Withheld {
  const { language } = address;
  const offered = zones.find((one) => one.offered)?.offered;
  if (!offered) return 'givesNothing';
  if (faultsAt(policy, address, text).some(({ breaks }) => breaks)) return 'notFilled';
  const lines = new Set<string>();
  for (const goal of goals) {
    const values = valuesOf(goal, offered, terms);
    const setting = { currency: market.currency, timeZone: terms.clocks.market };
    const line = renderText(text, language, formattedArguments(values, setting, language))?.trim();
    if (!line) return 'notFilled';
    if (saysFree(line, language) && !isFree(goal)) return 'notFree';
    lines.add(line);
  }
  return [...lines];
}

function valuesOf(
  { goal, counts, target, rewards }: CompiledGoal,
  { span, codes }: CompiledOffer,
  terms: CompiledMarket['terms'],
): TextValues {
  const figures = inOrder(goal.rewards).flatMap(([, reward]) => givenBy(reward, terms) ?? []);
  return {
    ...nothing,
    measure: counts.kind,
    goal: target ?? 0,
    reward: rewards[0]!.kind,
    deadline: Number.isFinite(span.until) ? span.until : null,
    code: codes.size === 1 ? [...codes][0]! : null,
    ...(figures[0] ? { given: figures[0] } : {}),
  };
}

/** More than any delivery costs, minor units: what still becomes nothing is free. */
const dearest = 100_000_000;

/** Whether a goal gives something free whatever it costs: delivery, or a gift. */
const isFree = ({ rewards }: CompiledGoal): boolean =>
  rewards.some(
    (reward) =>
      reward.acts === 'asGift' ||
      (reward.acts === 'onDelivery' && reward.priceOf === null && reward.becomes(dearest, null) <= 0),
  );
