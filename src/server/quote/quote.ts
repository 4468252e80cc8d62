import { randomBytes } from 'node:crypto';
import { closingProducts } from '../../core/evaluation/closing-products.ts';
import { evaluatePrepared } from '../../core/evaluation/evaluate.ts';
import { withQuotes, type PreparedCase } from '../../core/evaluation/prepare.ts';
import type { Evaluation } from '../../core/evaluation/evaluation.ts';
import { faultInWords, faultsOfAnswers } from '../../core/options/questions/check-answers.ts';
import { outcomeOf } from '../../core/orders/placed/outcome.ts';
import type { ShoppersArm } from '../../core/experiments/compile-experiments.ts';
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
import { andThen, type Soon } from '../soon.ts';
import { redemptionsFor } from '../redemptions/uses.ts';
import { forgetState } from '../current-state.ts';
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
  /** what is kept for the shopper */
  reserved: Quote['reserved'];
}

/** What is asked, by whom, and under which rules. */
interface Asking {
  request: QuoteRequest;
  rules: CurrentPolicy;
  arm: ShoppersArm | null;
  /** null: the shop does not say who it is */
  shopper: Buffer | null;
  instant: number;
}

/**
 * Options, goals and messages for a cart under the current release.
 *
 * @param instant ms since 1970-01-01T00:00Z
 * @throws ProblemError 422 for unknown or unpriced products, or a market or option that does not exist
 */
export function quote(everybody: CurrentPolicy, request: QuoteRequest, instant: number): Soon<Quote> {
  const { shopperKey, reserve, sign } = request;
  const { rules, arm } = rulesFor(everybody, request, shopperKey, instant);
  return andThen(shopperKey === undefined ? null : shopperHash(shopperKey), (shopper) => {
    const asking = { request, rules, arm, shopper, instant };
    const cart: Soon<Counted> = reserve && shopper ? promisedCart(asking, shopper, reserve) : countedCart(asking);
    return andThen(cart, (counted) =>
      andThen(unsignedQuote(asking, counted), (unsigned) =>
        sign ? signedAndKept(asking, counted, unsigned, sign) : Object.assign(unsigned, { signed: null }),
      ),
    );
  });
}

/** The cart by how often offers have been used. */
const countedCart = (asking: Asking): Soon<Counted> =>
  andThen(redemptionsFor(asking.rules.limited, asking.shopper, asking.request.redemptions), (counts) =>
    evaluated(asking, counts),
  );

const evaluated = ({ rules, request, instant }: Asking, redemptions: Redemptions | undefined): Soon<Counted> =>
  andThen(preparedCart(rules, request, instant, redemptions), (prepared) =>
    andThen(quotesFor(prepared), ({ quotes, silent, lastKnown }) => {
      const quoted = withQuotes(prepared, quotes);
      return { evaluation: evaluatePrepared(quoted), prepared: quoted, silent, lastKnown, reserved: null };
    }),
  );

/** The cart with a use of each offer that it promises kept for the shopper. */
async function promisedCart(
  asking: Asking,
  shopper: Buffer,
  { minutes }: NonNullable<QuoteRequest['reserve']>,
): Promise<Counted> {
  const { rules, request, instant } = asking;
  const said = request.redemptions;
  // What is kept for somebody is kept of what is left at this very moment.
  forgetState();
  const counts = await redemptionsFor(rules.limited, shopper, said);
  const promising = { policy: rules.compiled.policy, shopper, minutes, said };
  const { cart, offers } = await promised(promising, counts, (redemptions) => evaluated(asking, redemptions));
  return { ...cart, reserved: { offers, until: after(instant, minutes) } };
}

const after = (instant: number, minutes: number): string => new Date(instant + minutes * 60_000).toISOString();

function unsignedQuote(
  { request: { language, answers, closing }, rules, arm, shopper }: Asking,
  { evaluation, prepared, silent, lastKnown, reserved }: Counted,
): Soon<UnsignedQuote> {
  const { compiled, release } = rules;
  refuseUncounted(evaluation, prepared);
  if (arm && shopper) countShopper(arm, shopper);
  // Put into the answer, which nobody else has: a copy of it took as long as a text.
  return andThen(closing ? closingFor(rules, prepared, closing.most) : null, (products) =>
    Object.assign(quoteAnswer(compiled, evaluation, language), {
      release,
      carriersSilent: silent,
      carriersLastKnown: lastKnown,
      answerFaults: answers ? faultsIn(compiled.policy, answers) : null,
      arms: arm ? [{ experiment: arm.experiment, offer: arm.offer, arm: arm.arm }] : [],
      closing: products,
      reserved,
    }),
  );
}

/** The quote with the store's word on it, kept for orders that name it. */
async function signedAndKept(
  { request, rules: { release }, arm, shopper, instant }: Asking,
  { evaluation }: Counted,
  unsigned: UnsignedQuote,
  { minutes }: NonNullable<QuoteRequest['sign']>,
): Promise<Quote> {
  const { language: _, answers: _a, sign: _s, shopperKey: _k, closing: _c, reserve: _r, ...asked } = request;
  const [secret] = await signingSecrets();
  const id = randomBytes(16).toString('base64url');
  const signed = signedQuote(unsigned, request, secret!, { id, instant, minutes });
  const outcome = outcomeOf(evaluation);
  await keepQuote(id, { release, instant, shopper, arm: keptName(arm), asked, outcome }, instant + minutes * 60_000);
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
