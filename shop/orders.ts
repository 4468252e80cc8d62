import { randomInt } from 'node:crypto';
import { cartOf, type Session } from './session.ts';
import { Refused, type Quote, type Summant } from './summant.ts';

/** How long somebody may take from seeing the price to ordering. Minutes */
const holds = 10;

export type Placed =
  | { kind: 'placed'; number: string }
  /** what was seen is no longer so, or what was answered is not enough */
  | { kind: 'changed'; quote: Quote }
  | { kind: 'away' };

/**
 * Takes an order at the price that was seen: what holds now is asked for once more, signed, with a use of every limited offer
 * reserved; where it is another the shopper is asked again. What was ordered is then reported.
 */
export async function placeOrder(
  summant: Summant,
  session: Session,
  seen: { option: string | null; price: number },
  answers: Record<string, string>,
): Promise<Placed> {
  const asked = {
    ...cartOf(session),
    language: session.language,
    sign: { minutes: holds },
    reserve: { minutes: holds },
    ...(seen.option === null ? {} : { answers: { option: seen.option, given: answers } }),
  };
  let quote: Quote;
  try {
    quote = await summant.post('/api/quote', asked);
  } catch (error) {
    if (error instanceof Refused && error.status === 422) throw error;
    return { kind: 'away' };
  }
  const option = quote.options.find(({ id }) => id === seen.option);
  const asSeen = seen.option === null ? quote.noOptions === 'nothingToDeliver' : option?.priceAfter === seen.price;
  if (!asSeen || (quote.answerFaults?.length ?? 0) > 0 || !quote.signed) return { kind: 'changed', quote };
  const number = `GK-${Date.now().toString(36)}-${randomInt(36 ** 4)
    .toString(36)
    .padStart(4, '0')}`.toUpperCase();
  await report(summant, {
    number,
    placedAt: new Date().toISOString(),
    quote: quote.signed.id,
    option: seen.option,
    delivery: option?.priceAfter ?? 0,
  });
  return { kind: 'placed', number };
}

/** An order as it is reported. */
interface Reported {
  number: string;
  placedAt: string;
  quote: string;
  option: string | null;
  delivery: number;
}

/** Orders that Summant has not taken yet. A real shop keeps them in its database. */
const waiting: Reported[] = [];
const mostWaiting = 10_000;

/** Reports an order; one that nobody takes now is reported with the next. The same number twice is one order. */
async function report(summant: Summant, order: Reported): Promise<void> {
  waiting.push(order);
  if (waiting.length > mostWaiting) waiting.shift();
  const sent = waiting.slice(0, 1000);
  try {
    await summant.post('/api/orders', { orders: sent });
    const taken = new Set(sent);
    waiting.splice(0, waiting.length, ...waiting.filter((one) => !taken.has(one)));
  } catch {
    // It stays among those that wait.
  }
}
