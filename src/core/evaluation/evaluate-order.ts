import type { HypotheticalOrder } from '../cart/hypothetical-order.ts';
import { ordinaryArticle } from '../cart/ordinary-article.ts';
import { compilePolicy, type CompiledZone } from './compile.ts';
import type { Situation } from './context.ts';
import { evaluate, evaluateHypothetical } from './evaluate.ts';
import type { Evaluation } from './evaluation.ts';

/**
 * What an order of ordinary articles is offered and told in a zone, just as its cart would be. Goods that are added to a
 * hypothetical order make its article dearer, so that where a goal counts goods by the price of a piece, an order of one article
 * is evaluated as a cart; one of several pieces or of a weight is not, and what it is told of such a goal is that of its kind.
 */
export function evaluateOrder(zone: CompiledZone, order: HypotheticalOrder, situation: Situation): Evaluation {
  const asCart = order.items === 1 && order.weight === 0 && countsByUnitPrice(zone);
  return asCart ? evaluateOneArticle(zone, order.value, situation) : evaluateHypothetical(zone, order, situation);
}

const countsByUnitPrice = ({ offers }: CompiledZone): boolean =>
  offers.some(({ goals }) =>
    goals.some(({ counts: { goods } }) => goods && (goods.priceFrom > 0 || goods.priceBelow < Infinity)),
  );

function evaluateOneArticle(
  zone: CompiledZone,
  price: number,
  { codes, channel, ...situation }: Situation,
): Evaluation {
  const prices = { [zone.market.id]: price };
  return evaluate(compilePolicy(zone.policy), {
    ...situation,
    cart: {
      lines: [{ product: { ...ordinaryArticle, prices }, quantity: 1 }],
      ...(codes ? { codes: [...codes] } : {}),
      ...(channel === undefined ? {} : { channel }),
    },
  });
}
