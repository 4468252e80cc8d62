import type { EvaluationInput } from '../../../src/core/evaluation/evaluation.ts';
import type { Amounts, Comparison, Condition, ConditionNode } from '../../../src/core/policy/types.ts';
import { amountHere, clockFace, sum } from './basics.ts';
import { among, chargeable, parcels, sizes, valueIn, type PlainCart } from './cart.ts';
import { kilometres, matchesPattern } from './places.ts';

export interface Asked {
  cart: PlainCart;
  input: EvaluationInput;
  zoneId: string;
}

/** A tree: all, any or none of what it holds. */
export function holds(condition: Pick<Condition, 'of' | 'conditions'>, asked: Asked): boolean {
  const answers = Object.values(condition.conditions).map((node) => answer(node, asked));
  if (condition.of === 'all') return answers.every(Boolean);
  return condition.of === 'any' ? answers.some(Boolean) : !answers.some(Boolean);
}

/** @param value null when it is not known: the answer is no then @param whole “more than” means the next whole amount */
function compare(
  operator: Comparison,
  value: number | null | undefined,
  wanted: number | null,
  to?: number | null,
): boolean {
  if (value === null || value === undefined || wanted === null) return false;
  switch (operator) {
    case 'is':
      return value === wanted;
    case 'isNot':
      return value !== wanted;
    case 'atLeast':
      return value >= wanted;
    case 'atMost':
      return value <= wanted;
    case 'moreThan':
      return value > wanted;
    case 'lessThan':
      return value < wanted;
    case 'between':
      return to !== null && value >= wanted && value <= to!;
  }
}

function answer(node: ConditionNode, asked: Asked): boolean {
  const { cart, input, zoneId } = asked;
  const { policy, marketId, lines } = cart;
  const { shopper = { signedIn: false }, destination, instant } = input;
  const here = (amounts: Amounts | undefined) => amountHere(amounts, policy, marketId);
  const face = (readIn: string) =>
    clockFace(
      readIn === 'store'
        ? policy.store.timeZone
        : readIn === 'market'
          ? (policy.markets[marketId]!.timeZone ?? policy.store.timeZone)
          : readIn,
      instant,
    );
  switch (node.kind) {
    case 'group':
      return holds(node, asked);
    case 'qualifier':
      return holds(policy.qualifiers[node.qualifier]!.condition, asked);
    case 'yesNo': {
      const known = {
        'shopper.signedIn': shopper.signedIn,
        'shopper.business': shopper.business,
        'shopper.firstOrder': shopper.orderCount === undefined ? undefined : shopper.orderCount === 0,
        'destination.residential': destination.residential,
      }[node.fact];
      return known === node.is;
    }
    case 'word': {
      const account = (words: string[] | undefined) => words ?? (shopper.signedIn ? [] : null);
      const one = (word: string | undefined) => (word === undefined ? null : [word]);
      const known: string[] | null = {
        'shopper.group': account(shopper.groups),
        'shopper.tag': account(shopper.tags),
        'shopper.individual': one(shopper.individual),
        'cart.code': cart.codes,
        'cart.currency': one(policy.markets[marketId]!.currency),
        'cart.channel': one(cart.channel),
        'destination.country': one(destination.country),
        'shopper.billingCountry': one(shopper.billingCountry),
        'destination.region': one(destination.region),
        'destination.zone': one(zoneId),
        'destination.market': one(marketId),
      }[node.fact];
      if (known === null) return false;
      const includes = known.some((word) => node.values.includes(word));
      return node.operator === 'isNot' || node.operator === 'noneOf' ? !includes : includes;
    }
    case 'number': {
      if (node.fact === 'line.quantity')
        return lines.some(({ quantity }) => compare(node.operator, quantity, node.value, node.to));
      if (node.fact === 'category.quantity')
        return [...new Set(lines.flatMap(({ product }) => product.categories))].some((category) =>
          compare(
            node.operator,
            sum(lines.filter(({ product }) => product.categories.includes(category)).map(({ quantity }) => quantity)),
            node.value,
            node.to,
          ),
        );
      const delivered = sizes(lines.filter(({ product }) => product.needsDelivery));
      const daysSince = () => {
        if (!shopper.lastOrderAt) return undefined;
        const day = (at: number) => Date.parse(`${clockFace(policy.store.timeZone, at).day}T00:00:00Z`) / 86_400_000;
        return Math.max(0, day(instant) - day(Date.parse(shopper.lastOrderAt)));
      };
      const known = {
        'shopper.orderCount': () => shopper.orderCount,
        'shopper.daysSinceLastOrder': daysSince,
        'shopper.lifetimeSpend': () => shopper.lifetimeSpend,
        'cart.items': () => sum(lines.map(({ quantity }) => quantity)),
        'cart.lines': () => lines.length,
        'cart.weight': () => delivered.weight,
        'cart.volume': () => delivered.volume,
        'cart.chargeableWeight': () => chargeable(delivered, 5000),
        'cart.parcels': () =>
          parcels(
            lines.filter(({ product }) => product.needsDelivery),
            policy.store.packing,
          ).length,
        'cart.longestSide': () => delivered.longestSide,
      }[node.fact]();
      return compare(node.operator, known, node.value, node.to);
    }
    case 'goodsNumber':
      return compare(
        node.operator,
        sum(lines.filter((line) => among(line, node.goods, policy, marketId)).map(({ quantity }) => quantity)),
        node.value,
        node.to,
      );
    case 'money':
    case 'goodsMoney': {
      const wanted = here(node.amounts);
      const to = node.to ? here(node.to) : undefined;
      if (node.fact === 'line.value')
        return lines.some((line) => compare(node.operator, valueIn(line, node.basis, cart), wanted, to));
      const chosen = lines.filter((line) => {
        if (node.fact === 'cart.countedValue') return line.product.countsTowardGoals;
        if (node.fact === 'cart.valueOf') return among(line, node.goods, policy, marketId);
        return true;
      });
      if (wanted === null || to === null) return false;
      return compare(node.operator, sum(chosen.map((line) => valueIn(line, node.basis, cart))), wanted, to);
    }
    case 'contents': {
      const found = lines.filter((line) => among(line, node.goods, policy, marketId)).length;
      if (node.operator === 'contains') return found > 0;
      if (node.operator === 'none') return found === 0;
      return lines.length > 0 && found === lines.length;
    }
    case 'postcode':
      return (
        destination.postcode.replace(/[\s-]/g, '') !== '' &&
        node.patterns.some((pattern) => matchesPattern(pattern, destination.postcode))
      );
    case 'distance':
      return (
        destination.coordinates !== undefined &&
        compare(node.operator, kilometres(node.center, destination.coordinates), node.value, node.to)
      );
    case 'instant': {
      const now = face(node.readIn).text;
      if (node.operator === 'before') return now < node.at;
      if (node.operator === 'after') return now >= node.at;
      return now >= node.at && now < node.to!;
    }
    case 'weekday':
      return node.days.includes(face(node.readIn).weekday);
    case 'timeOfDay': {
      const time = face(node.readIn).text.slice(11);
      return node.from < node.to ? time >= node.from && time < node.to : time >= node.from || time < node.to;
    }
  }
}
