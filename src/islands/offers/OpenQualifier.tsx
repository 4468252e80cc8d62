import { useMemo } from 'react';
import { setAt } from '../../client/edits/set-at.ts';
import { statedMarkets } from '../../core/conditions/qualifier-uses.ts';
import { conditionHolds } from '../../core/evaluation/condition-holds.ts';
import { prepare } from '../../core/evaluation/prepare.ts';
import { someoneIn } from '../../core/evaluation/someone-in.ts';
import { inputOfTestCart } from '../../core/evaluation/test-cart-input.ts';
import { inOrder } from '../../core/ordered.ts';
import type { Condition } from '../../core/policy/types.ts';
import { ConditionEditor } from '../conditions/ConditionEditor.tsx';
import { TriedOnOrders } from '../conditions/TriedOnOrders.tsx';
import { EditedField } from '../fields/EditedField.tsx';
import { parseName } from '../fields/typed-text.ts';
import { usePolicy } from '../page/draft-context.tsx';
import { useCatalogue, useCompiled, useNow } from '../page/page-context.tsx';

/** A qualifier at work: its name and condition to be changed, and whom it holds for. */
export default function OpenQualifier({ id, marketId }: { id: string; marketId: string }) {
  const policy = usePolicy();
  const qualifier = policy.qualifiers[id]!;
  const stated = useMemo(() => statedMarkets(qualifier.condition), [qualifier.condition]);
  const markets = inOrder(policy.markets).flatMap(([market]) =>
    market === marketId || stated.has(market) ? [market] : [],
  );
  return (
    <div className="ml-4">
      <p className="leading-7">
        Called{' '}
        <EditedField
          label="Name of the condition"
          shown={qualifier.name}
          parse={parseName}
          change={(name) => setAt(['qualifiers', id, 'name'], name)}
          testId="qualifier-name"
        />
      </p>
      <ConditionEditor
        path={['qualifiers', id, 'condition']}
        condition={qualifier.condition}
        markets={markets}
        label={`Condition ${qualifier.name}`}
      />
      <TriedOnCarts condition={qualifier.condition} />
      <TriedOnShoppers condition={qualifier.condition} marketId={marketId} />
      <TriedOnOrders condition={qualifier.condition} marketId={marketId} />
    </div>
  );
}

/** For which test carts the condition holds, as it is typed. */
function TriedOnCarts({ condition }: { condition: Condition }) {
  const policy = usePolicy();
  const compiled = useCompiled();
  const catalogue = useCatalogue();
  const now = useNow();
  const answers = useMemo(
    () =>
      inOrder(policy.testCarts).map(([id, cart]) => ({
        id,
        name: cart.name,
        holds: conditionHolds(
          prepare(compiled, inputOfTestCart(cart, catalogue, now).input),
          condition,
          policy.qualifiers,
        ),
      })),
    [policy.testCarts, policy.qualifiers, compiled, catalogue, now, condition],
  );
  const yes = answers.filter(({ holds }) => holds === true);
  const unasked = answers.filter(({ holds }) => holds === null).length;
  return (
    <p className="text-small" data-testid="tried-on-carts">
      Holds for {yes.length} of {answers.length} test carts{yes.length > 0 && yes.length < answers.length ? ': ' : '.'}
      {yes.length < answers.length &&
        yes.slice(0, 12).map(({ id, name }, index) => (
          <span key={id}>
            {index > 0 && ', '}
            <a href={`/rehearse?cart=${id}`} className="link link-primary">
              {name}
            </a>
          </span>
        ))}
      {yes.length > 12 && ` and ${yes.length - 12} more`}
      {unasked > 0 && (
        <span className="text-soft">
          {' '}
          {unasked} {unasked === 1 ? 'lies' : 'lie'} in no market or zone.
        </span>
      )}
    </p>
  );
}

/** For which made-up shoppers the condition holds before they have put anything into the cart. */
function TriedOnShoppers({ condition, marketId }: { condition: Condition; marketId: string }) {
  const policy = usePolicy();
  const compiled = useCompiled();
  const now = useNow();
  const zone = compiled.markets.get(marketId)?.zones[0];
  const shoppers = inOrder(policy.shoppers ?? {});
  if (!zone || shoppers.length === 0) return null;
  const yes = shoppers.filter(([, { shopper }]) =>
    conditionHolds(
      prepare(compiled, { ...someoneIn(zone, now, shopper), cart: { lines: [] } }),
      condition,
      policy.qualifiers,
    ),
  );
  const some = yes.length > 0 ? yes.map(([, { name }]) => name).join(', ') : 'none of the made-up shoppers';
  const whom = yes.length === shoppers.length ? 'every made-up shopper' : some;
  return (
    <p className="text-small" data-testid="tried-on-shoppers">
      With nothing in the cart it holds for {whom}.
    </p>
  );
}
