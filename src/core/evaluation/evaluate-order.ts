import type { HypotheticalOrder } from '../cart/hypothetical-order.ts';
import { measureCart, type MeasuredCart } from '../cart/measures.ts';
import { ordinaryArticle } from '../cart/ordinary-article.ts';
import { taxRatesAt } from '../markets/terms.ts';
import type { CompiledZone } from './compile.ts';
import { locatedSituation, zoneContext, type Situation } from './context.ts';
import { evaluateContext, evaluateHypothetical } from './evaluate.ts';
import type { Evaluation } from './evaluation.ts';

/**
 * What an order of ordinary articles is offered and told in a zone, just as its cart would be. Goods that are added to a
 * hypothetical order make its article dearer and are no further piece or line, so that an order of one article is evaluated as
 * a cart; one of several pieces, of a weight or a size is none that is known, and what it is told of goods to add is that of its kind.
 */
export function evaluateOrder(zone: CompiledZone, order: HypotheticalOrder, given: Situation): Evaluation {
  if (!isOneArticle(order)) return evaluateHypothetical(zone, order, given);
  const { situation, postcode } = locatedSituation(given);
  return evaluateContext(zoneContext(zone, oneArticle(zone, order, situation), postcode, situation));
}

const isOneArticle = ({ items, weight, volume, longestSide }: HypotheticalOrder): boolean =>
  items === 1 && weight === 0 && volume === 0 && longestSide === 0;

function oneArticle(
  { market: { id, terms } }: CompiledZone,
  order: HypotheticalOrder,
  { codes = order.codes, channel = order.channel, destination }: Situation,
): MeasuredCart {
  const cart = {
    lines: [{ product: { ...ordinaryArticle, prices: { [id]: order.value } }, quantity: 1 }],
    ...(codes ? { codes } : {}),
    ...(channel === undefined ? {} : { channel }),
  };
  return measureCart(cart, terms, taxRatesAt(terms, destination.region), destination);
}
