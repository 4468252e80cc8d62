import { memo } from 'react';
import type { Edit } from '../../client/edit.ts';
import { freshId, setAt } from '../../client/set-at.ts';
import { toDecimal } from '../../core/money/decimal.ts';
import { inOrder, orderAfterLast } from '../../core/ordered.ts';
import type { Persona } from '../../core/policy/types.ts';
import { PhraseSelect } from '../../ui/PhraseSelect.tsx';
import { Remove } from '../../ui/Remove.tsx';
import { WordList } from '../../ui/WordList.tsx';
import { EditedField } from '../frame/EditedField.tsx';
import { useDraft } from '../frame/page-context.tsx';
import { useGuardedEdit } from '../frame/use-guarded-edit.tsx';
import { orNone, parseMoney, parseName, parseText, parseWhole } from '../frame/typed-text.ts';

/** Made-up shoppers with all that a condition can ask of them; the spend line and test carts take them by name. */
export const ShopperLibrary = memo(function ShopperLibrary() {
  const shoppers = useDraft((state) => state.settled.shoppers);
  const currency = useDraft((state) => state.settled.store.baseCurrency);
  const { edit, refusal } = useGuardedEdit();
  const listed = inOrder(shoppers ?? {});
  const add = () => edit(setAt(['shoppers', freshId('shopper', shoppers ?? {})], { order: orderAfterLast(shoppers ?? {}), name: `Shopper ${listed.length + 1}`, shopper: { signedIn: true } } satisfies Persona));
  return (
    <section className="seldom-seen mt-4 border-t border-hairline pt-2" aria-label="Made-up shoppers" data-testid="shoppers">
      <div className="flex flex-wrap items-baseline justify-between gap-x-4">
        <h2 className="text-[17px]">Made-up shoppers</h2>
        <p className="text-[13px] text-soft">To try offers and conditions with; nobody is promised anything by them.</p>
      </div>
      {refusal}
      <ul className="text-[13px] leading-7">
        {listed.map(([id, persona]) => (
          <Shopper key={id} id={id} persona={persona} currency={currency} edit={edit} />
        ))}
      </ul>
      <button type="button" className="btn btn-xs mt-2" onClick={add} data-testid="add-shopper">
        Add a shopper
      </button>
    </section>
  );
});

const known = [
  ['', 'nobody knows'],
  ['true', 'yes'],
  ['false', 'no'],
] as const;

function Shopper({ id, persona: { name, shopper }, currency, edit }: { id: string; persona: Persona; currency: string; edit: (edit: Edit) => boolean }) {
  const at = (field: string) => ['shoppers', id, 'shopper', field];
  return (
    <li className="border-b border-hairline" data-testid={`shopper-${id}`}>
      <strong>
        <EditedField label="Name of the shopper" shown={name} parse={parseName} change={(value) => setAt(['shoppers', id, 'name'], value)} edit={edit} />
      </strong>{' '}
      <PhraseSelect label={`${name}: signed in`} value={String(shopper.signedIn)} options={[['true', 'is signed in'], ['false', 'is a guest']]} choose={(value) => edit(setAt(at('signedIn'), value === 'true'))} />; groups <WordList what={`group of ${name}`} words={shopper.groups} placeholder="add a group" change={(words) => edit(setAt(at('groups'), words))} />
      tags <WordList what={`tag of ${name}`} words={shopper.tags} placeholder="add a tag" change={(words) => edit(setAt(at('tags'), words))} />
      buys for a business: <PhraseSelect label={`${name}: buys for a business`} value={shopper.business === undefined ? '' : String(shopper.business)} options={known} choose={(value) => edit(setAt(at('business'), value === '' ? undefined : value === 'true'))} />; has ordered{' '}
      <EditedField label={`${name}: past orders`} shown={shopper.orderCount === undefined ? '' : String(shopper.orderCount)} parse={orNone<number>(parseWhole(0, 1_000_000))} change={(value: number | undefined) => setAt(at('orderCount'), value)} edit={edit} placeholder="unknown" testId={`orders-${id}`} /> times, last on{' '}
      <input
        type="date"
        className="typed [field-sizing:fixed]"
        aria-label={`${name}: last order`}
        value={shopper.lastOrderAt?.slice(0, 10) ?? ''}
        onChange={(event) => edit(setAt(at('lastOrderAt'), event.target.value === '' ? undefined : `${event.target.value}T12:00Z`))}
      />
      , for <EditedField label={`${name}: spend so far, ${currency}`} shown={shopper.lifetimeSpend === undefined ? '' : toDecimal(shopper.lifetimeSpend, currency)} parse={orNone<number>(parseMoney(currency))} change={(value: number | undefined) => setAt(at('lifetimeSpend'), value)} edit={edit} placeholder="unknown" /> {currency} in all; known to the shop as{' '}
      <EditedField label={`${name}: key`} shown={shopper.individual ?? ''} parse={parseText(60)} change={(value) => setAt(at('individual'), value === '' ? undefined : value)} edit={edit} placeholder="nobody" />
      <Remove what={`shopper ${name}`} remove={() => edit(setAt(['shoppers', id], undefined))} />
    </li>
  );
}
