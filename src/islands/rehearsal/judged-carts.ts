import { useMemo } from 'react';
import type { CompiledPolicy } from '../../core/evaluation/compile.ts';
import type { Catalogue } from '../../core/catalogue/product.ts';
import { inOrder } from '../../core/ordered.ts';
import type { Policy, TestCart } from '../../core/policy/types.ts';
import { missesOf } from '../../core/test-carts/expectations.ts';
import { usePolicy } from '../page/draft-context.tsx';
import { useCatalogue, useCompiled, useNow } from '../page/page-context.tsx';
import { messagesOf } from './expected-in-words.ts';
import { rehearse, type Rehearsal } from './rehearse-cart.ts';

/** A test cart that expects something, and in how many things it comes out otherwise. */
export interface JudgedCart {
  id: string;
  cart: TestCart;
  rehearsal: Rehearsal;
  misses: number;
}

function judge(
  testCarts: Policy['testCarts'],
  compiled: CompiledPolicy,
  catalogue: Catalogue,
  now: number,
): JudgedCart[] {
  return inOrder(testCarts).flatMap(([id, cart]) => {
    if (!cart.expects) return [];
    const rehearsal = rehearse(compiled, catalogue, cart, now);
    return [
      { id, cart, rehearsal, misses: missesOf(cart.expects, rehearsal.evaluation, messagesOf(rehearsal)).length },
    ];
  });
}

/** The draft's test carts that expect something, as they come out now. */
export function useJudgedCarts(): JudgedCart[] {
  const { testCarts } = usePolicy();
  const compiled = useCompiled();
  const catalogue = useCatalogue();
  const now = useNow();
  return useMemo(() => judge(testCarts, compiled, catalogue, now), [testCarts, compiled, catalogue, now]);
}
