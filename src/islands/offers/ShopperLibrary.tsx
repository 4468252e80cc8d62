import { memo } from 'react';
import { freshId, setAt } from '../../client/edits/set-at.ts';
import { inOrder, orderAfterLast } from '../../core/ordered.ts';
import type { MadeUpShopper } from '../../core/policy/types.ts';
import { WhenSeen } from '../../ui/chart/WhenSeen.tsx';
import { lazyPart } from '../../ui/lazy-part.tsx';
import { useDraft } from '../page/draft-context.tsx';
import { GuardedEdits, useGuardedEdit } from '../page/use-edit.tsx';
import { part } from '../page/parts.ts';

const ShopperRows = lazyPart(() => import('./ShopperRows.tsx'));

/** px, as a row of one line is */
const rowHeight = 29;

/** Made-up shoppers with all that a condition can ask of them; the spend line and test carts take them by name. */
export const ShopperLibrary = memo(function ShopperLibrary() {
  const shoppers = useDraft((state) => state.settled.shoppers);
  const currency = useDraft((state) => state.settled.store.baseCurrency);
  const { edit, refusal } = useGuardedEdit();
  const listed = inOrder(shoppers ?? {});
  const add = () =>
    edit(
      setAt(['shoppers', freshId('shopper', shoppers ?? {})], {
        order: orderAfterLast(shoppers ?? {}),
        name: `Shopper ${listed.length + 1}`,
        shopper: { signedIn: true },
      } satisfies MadeUpShopper),
    );
  return (
    <GuardedEdits edit={edit}>
      <section
        ref={part('shoppers')}
        className="seldom-seen mt-4 border-t border-hairline pt-2"
        aria-label="Made-up shoppers"
        data-testid="shoppers"
      >
        <div className="flex flex-wrap items-baseline justify-between gap-x-4">
          <h2 className="text-title">Made-up shoppers</h2>
          <p className="text-small text-soft">
            To try offers and conditions with; nobody is promised anything by them.
          </p>
        </div>
        {refusal}
        <WhenSeen height={Math.max(1, listed.length * rowHeight)} label="made-up shoppers">
          {() => <ShopperRows shoppers={listed} currency={currency} />}
        </WhenSeen>
        <button type="button" className="btn btn-xs mt-2" onClick={add} data-testid="add-shopper">
          Add a shopper
        </button>
      </section>
    </GuardedEdits>
  );
});
