import { randomBytes } from 'node:crypto';
import { closingProducts } from '../../core/evaluation/closing-products.ts';
import { evaluatePrepared } from '../../core/evaluation/evaluate.ts';
import { withQuotes, type PreparedCase } from '../../core/evaluation/prepare.ts';
import type { Evaluation } from '../../core/evaluation/evaluation.ts';
import { faultInWords, faultsOfAnswers } from '../../core/options/questions/check-answers.ts';
import { outcomeOf } from '../../core/orders/placed/outcome.ts';
import type { Policy, Redemptions } from '../../core/policy/types.ts';
import { quoteAnswer } from '../../core/quote/quote-answer.ts';
import { quotesFor } from '../carriers/quotes-for.ts';
import type { Problem } from '../../contract/shapes/problem.ts';
import type { Quote, UnsignedQuote } from '../../contract/shapes/quote.ts';
import type { QuoteRequest } from '../../contract/shapes/quote-request.ts';
import { keptName, rulesFor } from '../experiments/rules-for.ts';
import { countShopper } from '../experiments/shoppers-counted.ts';
import { problemBody, ProblemError } from '../http/problem.ts';
import { shopperHash } from '../orders/shopper-hash.ts';
import { promised } from '../redemptions/promise.ts';
import { wholeCatalogue } from '../products/products-known.ts';
import { forgetUses, redemptionsFor } from '../redemptions/uses.ts';
import { preparedCart, refusedCart, refuseUncounted } from './asked-cart.ts';
import type { CurrentPolicy } from './current-policy.ts';
import { keepQuote } from './given-quotes.ts';
import { signedQuote } from './signature.ts';
import { signingSecrets } from './signing-secrets.ts';

/** A cart under some counts of redemptions, evaluated. */
interface Counted {
  evaluation: Evaluation;
  prepared: PreparedCase;
  silent: string[];
  lastKnown: string[];
}

/**
 * Options, goals and messages for a cart under the current release.
 *
 * @param instant ms since 1970-01-01T00:00Z
 * @throws ProblemError 422 for unknown or unpriced products, or a market or option that does not exist
 */
export async function quote(everybody: CurrentPolicy, request: QuoteRequest, instant: number): Promise<Quote> {
  const { language, answers, sign, shopperKey, closing, reserve: reserving, ...asked } = request;
  const { rules: current, arm } = rulesFor(everybody, asked, shopperKey, instant);
  const { compiled, release } = current;
  const after = (minutes: number) => new Date(instant + minutes * 60_000).toISOString();
  const shopper = shopperKey === undefined ? null : await shopperHash(shopperKey);
  const count = async (redemptions: Redemptions | undefined): Promise<Counted> => {
    const prepared = await preparedCart(current, asked, instant, redemptions);
    const { quotes, silent, lastKnown } = await quotesFor(prepared);
    const quoted = withQuotes(prepared, quotes);
    return { evaluation: evaluatePrepared(quoted), prepared: quoted, silent, lastKnown };
  };
  // What is kept for somebody is kept of what is left at this very moment.
  if (reserving) forgetUses();
  const counts = await redemptionsFor(current.limited, shopper, asked.redemptions);
  const kept =
    reserving && shopper
      ? await promised(
          { policy: compiled.policy, shopper, minutes: reserving.minutes, said: asked.redemptions },
          counts,
          count,
        )
      : null;
  const { evaluation, prepared, silent, lastKnown } = kept?.cart ?? (await count(counts));
  refuseUncounted(evaluation, prepared);
  if (arm && shopper) countShopper(arm, shopper);
  const unsigned: UnsignedQuote = {
    release,
    ...quoteAnswer(compiled, evaluation, language),
    carriersSilent: silent,
    carriersLastKnown: lastKnown,
    answerFaults: answers ? faultsIn(compiled.policy, answers) : null,
    arms: arm ? [{ experiment: arm.experiment, offer: arm.offer, arm: arm.arm }] : [],
    closing: closing ? await closingFor(current, prepared, closing.most) : null,
    reserved: kept && reserving ? { offers: kept.offers, until: after(reserving.minutes) } : null,
  };
  if (!sign) return { ...unsigned, signed: null };
  const [secret] = await signingSecrets();
  const id = randomBytes(16).toString('base64url');
  const signed = signedQuote(unsigned, request, secret!, { id, instant, minutes: sign.minutes });
  const outcome = outcomeOf(evaluation);
  await keepQuote(
    id,
    { release, instant, shopper, arm: keptName(arm), asked, outcome },
    instant + sign.minutes * 60_000,
  );
  return signed;
}

async function closingFor(
  { compiled, catalogue }: CurrentPolicy,
  { input }: PreparedCase,
  most: number,
): Promise<Quote['closing']> {
  const found = closingProducts(compiled, await wholeCatalogue(catalogue), input, most);
  return (
    found &&
    found.products.map(({ product: { id, sku, name }, quantity, cost }) => ({ product: id, sku, name, quantity, cost }))
  );
}

/** @throws ProblemError 422 where there is no such option */
function faultsIn({ options }: Policy, { option, given }: NonNullable<QuoteRequest['answers']>): Quote['answerFaults'] {
  if (!Object.hasOwn(options, option))
    throw refusedCart([{ pointer: '/answers/option', message: `there is no option "${option}"` }]);
  return faultsOfAnswers(options[option]!, given).map(({ question, fault }) => ({
    question,
    fault,
    message: faultInWords[fault],
  }));
}

/** Each cart by itself, in its place: one that cannot be quoted says why, and leaves the others alone. */
export const quoteEach = (
  current: CurrentPolicy,
  carts: readonly QuoteRequest[],
  instant: number,
): Promise<{ quote: Quote | null; problem: Problem | null }[]> =>
  // All at once, so that a carrier that is silent is waited for once and not for each.
  Promise.all(
    carts.map(async (cart) => {
      try {
        return { quote: await quote(current, cart, instant), problem: null };
      } catch (error) {
        if (!(error instanceof ProblemError)) throw error;
        return { quote: null, problem: problemBody(error.problem) };
      }
    }),
  );
