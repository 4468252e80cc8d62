import { setCartField, setDestination } from '../../client/edits/edits.ts';
import { inOrder } from '../../core/ordered.ts';
import type { TestCart } from '../../core/policy/types.ts';
import { PhraseSelect } from '../../ui/PhraseSelect.tsx';
import { TypedField } from '../../ui/TypedField.tsx';
import { CountryChoice } from '../fields/choices/CountryChoice.tsx';
import { useDraft, usePolicy } from '../page/draft-context.tsx';
import { useCompiled } from '../page/page-context.tsx';
import { useEdit } from '../page/use-edit.tsx';
import type { SetQuery } from '../page/use-query.ts';

/** Which cart it is, where it goes and what its shopper reads. */
export function CartHeading({ cartId, cart, setQuery }: { cartId: string; cart: TestCart; setQuery: SetQuery }) {
  const policy = usePolicy();
  const { marketOfCountry, marketElsewhere } = useCompiled();
  const edit = useEdit();
  const show = useDraft((state) => state.show);
  const languages = [
    ...new Set([...Object.values(policy.markets).flatMap(({ languages: tags }) => tags), cart.language]),
  ].sort();
  return (
    <h1 className="text-head leading-9">
      Rehearse{' '}
      <PhraseSelect
        label="Test cart"
        value={cartId}
        options={inOrder(policy.testCarts).map(([id, { name }]) => [id, name])}
        choose={(id) => setQuery({ cart: id })}
      />{' '}
      going to{' '}
      <CountryChoice
        label="Country"
        value={cart.destination.country}
        first={[...marketOfCountry.keys()].sort()}
        remark={(code) => (marketOfCountry.has(code) || marketElsewhere ? '' : 'no market')}
        choose={(code) => code && edit(setDestination(cartId, 'country', code))}
        testId="cart-country"
      />
      ,{' '}
      <span className="font-sans text-title">
        <TypedField
          label="Postcode"
          shown={cart.destination.postcode}
          align="left"
          parse={(text) =>
            text.trim().length > 16 ? { ok: false, reason: 'At most 16 characters.' } : { ok: true, value: text.trim() }
          }
          show={(value) => show(value === undefined ? null : setDestination(cartId, 'postcode', value))}
          commit={(value) => edit(setDestination(cartId, 'postcode', value))}
        />
      </span>{' '}
      reading{' '}
      <PhraseSelect
        label="Language"
        value={cart.language}
        options={languages.map((tag) => [tag, tag])}
        choose={(tag) => edit(setCartField(cartId, 'language', tag))}
      />
    </h1>
  );
}
