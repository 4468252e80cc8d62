import { convertAmount } from '../../core/money/convert.ts';
import { currencyExponent, isCurrency } from '../../core/money/currency.ts';
import type { LocalMoney } from '../../core/money/local-amount.ts';
import type { CarrierAnswer, CarrierReply, CarrierRequest } from '../../contract/shapes/carrier.ts';
import { boundedText } from '../http/bounded-text.ts';
import { validateCarrierAnswer } from './carrier-schema.ts';
import type { CarrierService } from './carrier-services.ts';
import { keepAnswer } from './last-known.ts';

/** Questions under way at once; more wait for their turn, and a carrier's time begins when it is asked. */
const mostUnderWay = 32;
/** So many wait at most: beyond, whoever comes is told at once that nobody was asked. */
const mostWaiting = 2000;
let underWay = 0;
const waiting: (() => void)[] = [];

async function turn<T>(work: () => Promise<T>): Promise<T> {
  if (underWay >= mostUnderWay) {
    if (waiting.length >= mostWaiting) throw new Error('too many questions wait');
    await new Promise<void>((resolve) => waiting.push(resolve));
  } else underWay++;
  try {
    return await work();
  } finally {
    const next = waiting.shift();
    if (next) next();
    else underWay--;
  }
}

/** Of a carrier’s answer. Bytes */
const longestAnswer = 64 * 1024;

/**
 * Asks a carrier for a quote. Whatever goes wrong ends in a reply without one, so that a charge's fallback holds: no answer in
 * time, an error, something that is no quote, or one in a currency that cannot be turned into the market's.
 */
export async function askCarrier(
  { address, secret, timeout }: CarrierService,
  request: CarrierRequest,
  money: LocalMoney,
): Promise<CarrierReply> {
  let began = performance.now();
  const reply = (answer: string | null, quote: number | null, problem: string | null): CarrierReply => ({
    request,
    answer,
    quote,
    problem,
    took: Math.round(performance.now() - began),
  });
  let answer: string | null = null;
  try {
    const { ok, status, text } = await turn(async () => {
      began = performance.now();
      const response = await fetch(address, {
        method: 'POST',
        headers: {
          'content-type': 'application/json',
          ...(secret === null ? {} : { authorization: `Bearer ${secret}` }),
        },
        // A carrier’s secret goes to no other address than the one that was given for it.
        redirect: 'error',
        body: JSON.stringify(request),
        signal: AbortSignal.timeout(timeout),
      });
      return { ok: response.ok, status: response.status, text: await boundedText(response, longestAnswer) };
    });
    answer = text.slice(0, 2000);
    if (!ok) return reply(answer, null, `it answered with ${status}`);
    const said: unknown = JSON.parse(answer);
    if (!validateCarrierAnswer(said)) return reply(answer, null, 'what it answered is no quote');
    keepAnswer(request, said);
    const quote = inMarket(said, money);
    return reply(
      answer,
      quote,
      quote === null ? `it quotes in ${said.currency}, which cannot be turned into ${money.currency}` : null,
    );
  } catch (error) {
    const read = answer !== null || error instanceof RangeError;
    const unreadable = read ? 'what it answered is no quote' : 'it could not be reached';
    const late = error instanceof Error && error.name === 'TimeoutError';
    return reply(answer, null, late ? `it did not answer within ${timeout / 1000} s` : unreadable);
  }
}

/** By the rates that have been adopted; rounded once. */
export function inMarket({ amount, currency }: CarrierAnswer, money: LocalMoney): number | null {
  if (currency === money.currency) return amount;
  if (currency !== money.baseCurrency || !isCurrency(currency) || money.rate === null) return null;
  return convertAmount(
    amount,
    { rate: '1', exponent: currencyExponent(currency) },
    { rate: money.rate, exponent: currencyExponent(money.currency) },
  );
}
