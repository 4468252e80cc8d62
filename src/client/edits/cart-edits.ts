import { orderAfterLast } from '../../core/ordered.ts';
import type { TestCart } from '../../core/policy/types.ts';
import type { Edit } from './edit.ts';
import { inTurn, setAt } from './set-at.ts';

export const linesOf = (pieces: ReadonlyMap<string, number>): TestCart['lines'] =>
  Object.fromEntries(
    [...pieces].map(([product, quantity], index) => [
      product,
      { order: index + 1, quantity: Math.min(9999, quantity) },
    ]),
  );

/** A test cart at the end of the list. @param pieces by product */
export const addTestCart =
  (id: string, cart: Omit<TestCart, 'order' | 'lines'>, pieces: ReadonlyMap<string, number>): Edit =>
  (policy) =>
    setAt(['testCarts', id], {
      ...cart,
      order: orderAfterLast(policy.testCarts),
      lines: linesOf(pieces),
    } satisfies TestCart)(policy);

export const removeTestCart = (id: string): Edit => setAt(['testCarts', id], undefined);

/** Whole test carts, each in place of that of the same id or at the end. */
export const keepTestCarts = (carts: Readonly<Record<string, TestCart>>): Edit =>
  inTurn(
    ...Object.entries(carts).map(
      ([id, cart]): Edit =>
        (policy) =>
          setAt(['testCarts', id], { ...cart, order: policy.testCarts[id]?.order ?? orderAfterLast(policy.testCarts) })(
            policy,
          ),
    ),
  );

/** Other goods in place of those there are. @param pieces by product */
export const setCartLines = (id: string, pieces: ReadonlyMap<string, number>): Edit =>
  setAt(['testCarts', id, 'lines'], linesOf(pieces));

/** Something that a cart may have; undefined takes it away. */
export const setCartPart = <Part extends 'at' | 'channel' | 'codes' | 'expects' | 'placed' | 'quotes'>(
  id: string,
  part: Part,
  value: TestCart[Part] | undefined,
): Edit => setAt(['testCarts', id, part], value);

/** Something of where a cart goes; undefined takes it away. */
export const setDestinationPart = <Part extends 'region' | 'coordinates' | 'residential'>(
  id: string,
  part: Part,
  value: TestCart['destination'][Part] | undefined,
): Edit => setAt(['testCarts', id, 'destination', part], value);
