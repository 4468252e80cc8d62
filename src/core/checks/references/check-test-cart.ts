import { isCountry } from '../../geography/country.ts';
import type { Fault } from '../../policy/fault.ts';
import type { Policy, TestCart } from '../../policy/types.ts';
import { checkGoods } from '../../catalogue/check-goods.ts';

/** Its country exists and its discounts make sense. Products, offers and options may be gone: the bench says so. */
export function checkTestCart(
  id: string,
  { destination, discounts, at }: TestCart,
  policy: Policy,
  fault: Fault,
): void {
  const here = `/testCarts/${id}`;
  if (!isCountry(destination.country))
    fault(`${here}/destination/country`, `${destination.country} is not an ISO 3166-1 country`);
  if (at !== undefined && Number.isNaN(Date.parse(at))) fault(`${here}/at`, 'is not a moment');
  for (const [key, { discount }] of Object.entries(discounts ?? {})) {
    const pointer = `${here}/discounts/${key}/discount`;
    if (discount.kind === 'percent' && Number(discount.percent) > 100)
      fault(`${pointer}/percent`, 'must be at most 100');
    if (discount.goods) checkGoods(discount.goods, policy, `${pointer}/goods`, fault);
  }
}
