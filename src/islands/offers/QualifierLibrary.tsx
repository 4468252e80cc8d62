import { memo, useMemo, useState } from 'react';
import { freshId, setAt } from '../../client/edits/set-at.ts';
import { qualifierUses, statedMarkets, type QualifierUse } from '../../core/conditions/qualifier-uses.ts';
import { readOut } from '../../core/conditions/read-out.ts';
import { prepare } from '../../core/evaluation/prepare.ts';
import { conditionHolds } from '../../core/evaluation/condition-holds.ts';
import { inputOfTestCart } from '../../core/evaluation/test-cart-input.ts';
import { inOrder, orderAfterLast } from '../../core/ordered.ts';
import type { Condition, Qualifier } from '../../core/policy/types.ts';
import { TriedOnOrders } from '../conditions/TriedOnOrders.tsx';
import { ConditionEditor } from '../conditions/ConditionEditor.tsx';
import { EditedField } from '../fields/EditedField.tsx';
import { useDraft, usePolicy } from '../page/draft-context.tsx';
import { useCatalogue, useCompiled, useNow } from '../page/page-context.tsx';
import { GuardedEdits, useGuardedEdit } from '../page/use-edit.tsx';
import { parseName } from '../fields/typed-text.ts';
import { someoneIn } from '../../core/evaluation/someone-in.ts';
import { part } from '../page/parts.ts';

/** The qualifiers, what each says, where it is used, and whom of the test carts it holds for. */
export const QualifierLibrary = memo(function QualifierLibrary({
  marketId,
  open,
  setOpen,
}: {
  marketId: string;
  open: string;
  setOpen: (qualifier: string) => void;
}) {
  // Not what is just being dragged or typed: only the condition that is open follows that.
  const policy = useDraft((state) => state.settled);
  const { edit, refusal } = useGuardedEdit();
  const { qualifiers, offers, options } = policy;
  const uses = useMemo(() => qualifierUses({ qualifiers, offers, options }), [qualifiers, offers, options]);
  const add = () => {
    const id = freshId('condition', qualifiers);
    const condition: Condition = { of: 'all', conditions: {} };
    if (
      edit(
        setAt(['qualifiers', id], {
          order: orderAfterLast(qualifiers),
          name: `Condition ${Object.keys(qualifiers).length + 1}`,
          condition,
        } satisfies Qualifier),
      )
    )
      setOpen(id);
  };
  return (
    <GuardedEdits edit={edit}>
      <section
        ref={part('conditions')}
        className="seldom-seen mt-4 border-t border-hairline pt-2"
        aria-label="Qualifiers"
        data-testid="qualifiers"
      >
        <div className="flex flex-wrap items-baseline justify-between gap-x-4">
          <h2 className="text-title">Qualifiers</h2>
          <p className="text-small text-soft">
            Conditions with a name, to be used wherever one can stand; a change holds everywhere.
          </p>
        </div>
        {refusal}
        <ul>
          {inOrder(qualifiers).map(([id, qualifier]) => (
            <li key={id} className="border-b border-hairline py-1" data-testid={`qualifier-${id}`}>
              <div className="flex flex-wrap items-baseline gap-x-3">
                <button
                  type="button"
                  className="btn btn-ghost btn-xs justify-start px-1 font-semibold"
                  aria-expanded={open === id}
                  onClick={() => setOpen(open === id ? '' : id)}
                  data-testid={`open-qualifier-${id}`}
                >
                  {qualifier.name}
                </button>
                <span className="min-w-0 flex-1 basis-72 text-small">
                  {readOut(policy, qualifier.condition, marketId)}
                </span>
                <UsesPhrase
                  uses={uses.get(id) ?? []}
                  remove={() => edit(setAt(['qualifiers', id], undefined)) && setOpen('')}
                />
              </div>
              {open === id && <OpenQualifier id={id} marketId={marketId} />}
            </li>
          ))}
        </ul>
        <button type="button" className="btn btn-xs mt-2" onClick={add} data-testid="add-qualifier">
          Add a qualifier
        </button>
      </section>
    </GuardedEdits>
  );
});

function UsesPhrase({ uses, remove }: { uses: readonly QualifierUse[]; remove: () => void }) {
  const [all, setAll] = useState(false);
  if (uses.length === 0) {
    return (
      <span className="text-small text-soft">
        nothing uses it{' '}
        <button type="button" className="btn btn-xs" onClick={remove}>
          delete it
        </button>
      </span>
    );
  }
  const shown = all ? uses : uses.slice(0, 3);
  const address = ({ kind, id }: QualifierUse) => {
    if (kind === 'offer') return `/offers?offer=${id}`;
    if (kind === 'option') return `/delivery?option=${id}`;
    return `/offers?condition=${id}`;
  };
  return (
    <span className="text-small text-soft">
      used by{' '}
      {shown.map((use, index) => (
        <span key={`${use.kind} ${use.id}`}>
          {index > 0 && ', '}
          <a href={address(use)} className="link link-primary">
            {use.name}
          </a>
        </span>
      ))}
      {uses.length > shown.length && (
        <button type="button" className="btn btn-ghost btn-xs" onClick={() => setAll(true)}>
          and {uses.length - shown.length} more
        </button>
      )}
    </span>
  );
}

function OpenQualifier({ id, marketId }: { id: string; marketId: string }) {
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
