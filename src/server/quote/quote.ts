import { resolveLines, type Cart } from '../../core/cart/cart.ts';
import { evaluatePrepared } from '../../core/evaluation/evaluate.ts';
import { findMarket } from '../../core/evaluation/find-zone.ts';
import { prepare, withQuotes } from '../../core/evaluation/prepare.ts';
import type { Evaluation } from '../../core/evaluation/evaluation.ts';
import { unitPriceOf } from '../../core/cart/line-values.ts';
import { faultInWords, faultsOfAnswers, type Answers } from '../../core/options/questions/check-answers.ts';
import type { DeliveryOption } from '../../core/policy/types.ts';
import { largestAmount } from '../../core/money/rounding.ts';
import { quoteAnswer } from '../../core/quote/quote-answer.ts';
import { quotesFor } from '../carriers/quotes-for.ts';
import type { Problem, ProblemField } from '../../contract/shapes/problem.ts';
import type { Quote, UnsignedQuote } from '../../contract/shapes/quote.ts';
import type { QuoteRequest } from '../../contract/shapes/quote-request.ts';
import { problemBody, ProblemError } from '../http/problem.ts';
import { productsNamed } from '../products/products-known.ts';
import type { CurrentPolicy } from './current-policy.ts';
import { signedQuote } from './signature.ts';
import { signingSecrets } from './signing-secrets.ts';

/**
 * Options, goals and messages for a cart under the current release.
 *
 * @param instant ms since 1970-01-01T00:00Z
 * @param carriers the service that is asked for quotes which the request does not bring along
 * @throws ProblemError 422 for unknown or unpriced products, or a market that does not exist
 */
export async function quote(
  { release, compiled, catalogue }: CurrentPolicy,
  request: QuoteRequest,
  instant: number,
  carriers: URL,
): Promise<Quote> {
  const { lines, codes, discounts, channel, language, answers, sign, ...situation } = request;
  if (situation.market !== undefined && !compiled.markets.has(situation.market))
    throw refused([{ pointer: '/market', message: `there is no market "${situation.market}"` }]);
  const option = answers && compiled.policy.options[answers.option];
  if (answers && (!option || !Object.hasOwn(compiled.policy.options, answers.option)))
    throw refused([{ pointer: '/answers/option', message: `there is no option "${answers.option}"` }]);
  const names = [...new Set(lines.map((line) => line.product))];
  const market = findMarket(compiled, situation.destination, situation.market);
  const resolved = resolveLines(lines, await productsNamed(names, catalogue), market?.id ?? null);
  if (!resolved.ok)
    throw refused(
      resolved.unknown.map(({ index, product, withFacts }) => ({
        pointer: withFacts ? `/lines/${index}/facts/unitPrice` : `/lines/${index}/product`,
        message: withFacts
          ? `is needed: the catalogue has no product with the id or SKU "${product}"`
          : `there is no product with the id or SKU "${product}"`,
      })),
    );
  const cart: Cart = {
    lines: resolved.lines,
    ...(codes ? { codes } : {}),
    ...(discounts ? { discounts } : {}),
    ...(channel === undefined ? {} : { channel }),
  };
  const prepared = prepare(compiled, { ...situation, cart, instant });
  const { quotes, silent } = await quotesFor(prepared, carriers);
  const evaluation = evaluatePrepared(withQuotes(prepared, quotes));
  const unpriced = evaluation.measures?.unpriced ?? [];
  if (unpriced.length > 0) {
    throw refused(
      lines.flatMap((_, index) =>
        unpriced.includes(resolved.lines[index]!.product.id)
          ? [{ pointer: `/lines/${index}/product`, message: `has no price in the market "${evaluation.marketId}"` }]
          : [],
      ),
    );
  }
  const tooMuch = tooLargeLine(evaluation);
  if (tooMuch !== null)
    throw refused(
      lines.flatMap((_, index) =>
        resolved.lines[index]!.product.id === tooMuch
          ? [
              {
                pointer: `/lines/${index}/quantity`,
                message: `comes to more than ${largestAmount} minor units, which is as much as is computed exactly`,
              },
            ]
          : [],
      ),
    );
  const unsigned: UnsignedQuote = {
    release,
    ...quoteAnswer(compiled, evaluation, language),
    carriersSilent: silent,
    answerFaults: option ? faultsIn(option, answers.given) : null,
    arms: [],
  };
  if (!sign) return { ...unsigned, signed: null };
  const [secret] = await signingSecrets();
  return signedQuote(unsigned, request, secret!, { instant, minutes: sign.minutes });
}

const faultsIn = (option: DeliveryOption, answers: Answers): Quote['answerFaults'] =>
  faultsOfAnswers(option, answers).map(({ question, fault }) => ({ question, fault, message: faultInWords[fault] }));

/** The product of a line that comes to more than is computed exactly; null where none does. */
function tooLargeLine({ cart }: Evaluation): string | null {
  const line = cart?.lines.find(({ quantity }, index) => unitPriceOf(cart, index) * quantity > largestAmount);
  return line ? line.product.id : null;
}

function refused(fields: ProblemField[]): ProblemError {
  return new ProblemError({
    status: 422,
    title: 'The cart cannot be quoted',
    detail: 'No price was computed. The fields named are wrong.',
    fields,
  });
}

/** Each cart by itself, in its place: one that cannot be quoted says why, and leaves the others alone. */
export const quoteEach = (
  current: CurrentPolicy,
  carts: readonly QuoteRequest[],
  instant: number,
  carriers: URL,
): Promise<{ quote: Quote | null; problem: Problem | null }[]> =>
  // All at once, so that a carrier that is silent is waited for once and not for each.
  Promise.all(
    carts.map(async (cart) => {
      try {
        return { quote: await quote(current, cart, instant, carriers), problem: null };
      } catch (error) {
        if (!(error instanceof ProblemError)) throw error;
        return { quote: null, problem: problemBody(error.problem) };
      }
    }),
  );
