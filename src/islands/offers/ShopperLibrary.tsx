import { memo } from 'react';
import { freshId, setAt } from '../../client/edits/set-at.ts';
import { inOrder, orderAfterLast } from '../../core/ordered.ts';
import type { MadeUpShopper } from '../../core/policy/types.ts';
import { Remove } from '../../ui/Remove.tsx';
import { EditedField } from '../fields/EditedField.tsx';
import { ShopperFacts } from '../fields/ShopperFacts.tsx';
import { useDraft } from '../page/draft-context.tsx';
import { GuardedEdits, useEdit, useGuardedEdit } from '../page/use-edit.tsx';
import { parseName } from '../fields/typed-text.ts';
import { part } from '../page/parts.ts';

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
        <ul className="text-small leading-7">
          {listed.map(([id, madeUp]) => (
            <OneShopper key={id} id={id} madeUp={madeUp} currency={currency} />
          ))}
        </ul>
        <button type="button" className="btn btn-xs mt-2" onClick={add} data-testid="add-shopper">
          Add a shopper
        </button>
      </section>
    </GuardedEdits>
  );
});

function OneShopper({
  id,
  madeUp: { name, shopper },
  currency,
}: {
  id: string;
  madeUp: MadeUpShopper;
  currency: string;
}) {
  const edit = useEdit();
  return (
    <li className="border-b border-hairline" data-testid={`shopper-${id}`}>
      <strong>
        <EditedField
          label="Name of the shopper"
          shown={name}
          parse={parseName}
          change={(value) => setAt(['shoppers', id, 'name'], value)}
        />
      </strong>{' '}
      <ShopperFacts steps={['shoppers', id, 'shopper']} name={name} shopper={shopper} currency={currency} id={id} />
      <Remove what={`shopper ${name}`} remove={() => edit(setAt(['shoppers', id], undefined))} />
    </li>
  );
}
