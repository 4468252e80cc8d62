import { useMemo } from 'react';
import { setCartField, setDestination } from '../../client/edits.ts';
import { inOrder } from '../../core/ordered.ts';
import { setAt } from '../../client/set-at.ts';
import type { Shopper, TestCart } from '../../core/policy/types.ts';
import { PhraseSelect } from '../../ui/PhraseSelect.tsx';
import { TypedField } from '../../ui/TypedField.tsx';
import { rehearse } from '../bench/rehearse-cart.ts';
import { useDraft, usePage, usePolicy } from '../frame/page-context.tsx';
import { useQuery } from '../frame/use-query.ts';
import { CartSheet } from './CartSheet.tsx';
import { Circumstances } from './Circumstances.tsx';
import { CartLines } from './CartLines.tsx';
import { countryName } from '../frame/place-names.ts';
import { particularsOf } from './particulars.ts';
import { Seams } from './Seams.tsx';
import { ShopperView } from './ShopperView.tsx';

/** One cart: what is in it, where it goes, and what its shopper sees. */
export function RehearseView({ query: initial }: { query: Record<string, string> }) {
  const policy = usePolicy();
  const { compiled, catalogue, locale, now } = usePage();
  const edit = useDraft((state) => state.edit);
  const show = useDraft((state) => state.show);
  const [query, setQuery] = useQuery(initial);
  const carts = inOrder(policy.testCarts);
  const cartId = policy.testCarts[query.cart ?? ''] ? query.cart! : carts[0]![0];
  const cart = policy.testCarts[cartId]!;
  const rehearsal = useMemo(() => rehearse(compiled, catalogue, cart, now), [compiled, catalogue, cart, now]);
  const zone = compiled.markets.get(rehearsal.evaluation.marketId ?? '')?.zones.find(({ id }) => id === rehearsal.evaluation.zoneId);
  const market = rehearsal.evaluation.marketId ? policy.markets[rehearsal.evaluation.marketId] : undefined;
  const particulars = particularsOf(cart);
  const countries = [...new Set([...Object.values(policy.markets).flatMap(({ countries: codes }) => codes), cart.destination.country])].sort();
  const languages = [...new Set([...Object.values(policy.markets).flatMap(({ languages: tags }) => tags), cart.language])].sort();
  return (
    <div className="px-5 py-3">
      <h1 className="text-[22px] leading-9">
        Rehearse{' '}
        <PhraseSelect head label="Test cart" value={cartId} options={carts.map(([id, { name }]) => [id, name])} choose={(id) => setQuery({ cart: id })} />{' '}
        going to{' '}
        <PhraseSelect
          head
          label="Country"
          value={cart.destination.country}
          options={[...countries.map((code) => [code, countryName(code, locale)] as const), ...otherCountries.filter((code) => !countries.includes(code)).map((code) => [code, `${countryName(code, locale)} (no market)`] as const)]}
          choose={(code) => edit(setDestination(cartId, 'country', code))}
        />
        ,{' '}
        <span className="font-sans text-[17px]">
          <TypedField
            label="Postcode"
            shown={cart.destination.postcode}
            align="left"
            parse={(text) => (text.trim().length > 16 ? { ok: false, reason: 'At most 16 characters.' } : { ok: true, value: text.trim() })}
            show={(value) => show(value === undefined ? null : setDestination(cartId, 'postcode', value))}
            commit={(value) => edit(setDestination(cartId, 'postcode', value))}
          />
        </span>{' '}
        reading{' '}
        <PhraseSelect head label="Language" value={cart.language} options={languages.map((tag) => [tag, tag])} choose={(tag) => edit(setCartField(cartId, 'language', tag))} />
      </h1>
      <p className="mb-2 flex min-h-6 flex-wrap items-center gap-x-5 text-soft">
        <span>{market ? `Sold in ${market.name}, ${market.currency}.` : 'No market sells there.'}</span>
        {particulars.length > 0 && <span data-testid="particulars">{particulars.join(' · ')}</span>}
        <span>
          bought by <BuyerPhrase cart={cart} choose={(shopper) => edit(setAt(['testCarts', cartId, 'shopper'], shopper))} />
        </span>
        <label className="inline-flex items-center gap-1.5">
          <input type="checkbox" className="checkbox checkbox-xs" checked={cart.pinned} onChange={(event) => edit(setCartField(cartId, 'pinned', event.target.checked))} />
          pinned to the bench
        </label>
      </p>
      <Circumstances cartId={cartId} cart={cart} zone={zone} />
      <CartSheet key={`sheet-${cartId}`} cartId={cartId} cart={cart} choose={(id) => setQuery({ cart: id })} />
      <div className="grid gap-x-8 gap-y-4 lg:grid-cols-[minmax(0,1.1fr)_minmax(0,1fr)]">
        <CartLines cartId={cartId} cart={cart} rehearsal={rehearsal} />
        <ShopperView cart={cart} rehearsal={rehearsal} />
      </div>
      {zone && <Seams key={`seams-${cartId}`} cartId={cartId} cart={cart} zone={zone} />}
    </div>
  );
}

/** Who buys: one of the made-up shoppers, whose facts the cart takes over, or whoever it says itself. */
function BuyerPhrase({ cart: { shopper }, choose }: { cart: TestCart; choose: (shopper: Shopper | undefined) => void }) {
  const { shoppers = {} } = usePolicy();
  const same = inOrder(shoppers).find(([, persona]) => JSON.stringify(persona.shopper) === JSON.stringify(shopper))?.[0];
  const value = shopper === undefined ? '' : (same ?? 'own');
  return <PhraseSelect label="Bought by" value={value} options={[['', 'a guest of whom nothing is known'], ...(value === 'own' ? [['own', 'somebody of its own'] as const] : []), ...inOrder(shoppers).map(([id, { name }]) => [id, name] as const)]} choose={(id) => id !== 'own' && choose(id === '' ? undefined : shoppers[id]?.shopper)} testId="buyer-phrase" />;
}

/** A few countries nobody sells to in the demo, so that an uncovered destination can be rehearsed too. */
const otherCountries = ['CA', 'FR', 'IE', 'NO', 'SE'];
