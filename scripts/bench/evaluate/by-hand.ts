import type { EvaluationInput } from '../../../src/core/evaluation/evaluation.ts';

/** What a programmer would write who needs exactly the demo policy and nothing else. Answers as the engine does. */
export interface Answer {
  market: string | null;
  options: { id: string; before: number; after: number; tax: number }[];
  remaining: number | null;
  percent: number | null;
  preselected: string | null;
  total: number;
}

const tax = (price: number, percent: number): number => Math.floor((2 * price * percent + 100 + percent) / (2 * (100 + percent)));

export function answerByHand({ cart, destination }: EvaluationInput): Answer {
  const { country } = destination;
  const market = country === 'NL' || country === 'BE' ? 'nlbe' : country === 'GB' ? 'uk' : null;
  if (!market) return { market: null, options: [], remaining: null, percent: null, preselected: null, total: 0 };
  let goods = 0;
  let counted = 0;
  let charged = 0;
  let own = 0;
  let delivered = false;
  let ordinary = false;
  for (const { product, quantity } of cart.lines) {
    const value = (product.prices[market] ?? 0) * quantity;
    goods += value;
    if (product.countsTowardGoals) counted += value;
    if (!product.needsDelivery) charged += value;
    else {
      delivered = true;
      if (product.shipsFree) continue;
      if (product.ownDelivery) own += product.ownDelivery[market]! * quantity;
      else {
        ordinary = true;
        charged += value;
      }
    }
  }
  const goal = market === 'nlbe' ? 7500 : 7000;
  const reached = counted >= goal;
  const remaining = reached ? 0 : goal - counted;
  const percent = reached ? 100 : Math.floor((100 * counted) / goal);
  if (!delivered) return { market, options: [], remaining, percent, preselected: null, total: goods };
  const rate = market === 'nlbe' ? 21 : 20;
  const first = !ordinary ? 0 : market === 'nlbe' ? (charged < 4000 ? 695 : charged < 12000 ? 595 : 395) : charged < 5000 ? 895 : 695;
  const second = !ordinary ? 0 : market === 'nlbe' ? 450 : 495;
  const priced = (id: string, base: number) => {
    const after = reached ? own : base + own;
    return { id, before: base + own, after, tax: tax(after, rate) };
  };
  const options = market === 'nlbe' ? [priced('nlbe-door', first), priced('nlbe-parcel-shop', second)] : [priced('uk-tracked', first), priced('uk-collection', second)];
  const chosen = market === 'uk' && options[1]!.after < options[0]!.after ? options[1]! : options[0]!;
  return { market, options, remaining, percent, preselected: chosen.id, total: goods + chosen.after };
}
