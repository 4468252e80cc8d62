import { useEffect, useMemo, useState, type ReactNode } from 'react';
import { ShopperFacts } from '../fields/ShopperFacts.tsx';
import { setCartField } from '../../client/edits/edits.ts';
import { inOrder } from '../../core/ordered.ts';
import { setAt } from '../../client/edits/set-at.ts';
import type { TestCart } from '../../core/policy/types.ts';
import { rehearse } from '../rehearsal/rehearse-cart.ts';
import { usePolicy } from '../page/draft-context.tsx';
import { ArmShown, useCatalogue, useCompiled, useCompiledRelease, useNow } from '../page/page-context.tsx';
import { useEdit } from '../page/use-edit.tsx';
import { useQuery } from '../page/use-query.ts';
import { ArmChips } from '../rehearsal/ArmChips.tsx';
import { useArmChoice } from '../rehearsal/use-arm-choice.ts';
import { CartSheet } from './cart/CartSheet.tsx';
import { Circumstances } from './cart/Circumstances.tsx';
import { CartLines } from './cart/CartLines.tsx';
import { particularsOf } from './particulars.ts';
import { ImportOrder } from './cart/ImportOrder.tsx';
import { DestinationDetails } from './cart/DestinationDetails.tsx';
import { NotOffered } from './tools/NotOffered.tsx';
import { PrintedRecord } from './PrintedRecord.tsx';
import { ShareCart } from './cart/ShareCart.tsx';
import { OpenInShop } from './cart/OpenInShop.tsx';
import { SharedCart } from './cart/SharedCart.tsx';
import { SideBySide, type Laid } from './tools/SideBySide.tsx';
import { usePrinting } from '../page/use-printing.ts';
import { WhyMessage } from './WhyMessage.tsx';
import type { SetQuery } from '../page/use-query.ts';
import { BuyerPhrase } from './BuyerPhrase.tsx';
import { CartHeading } from './CartHeading.tsx';
import { ShopChoices } from './ShopChoices.tsx';
import { ToolPanel } from './ToolPanel.tsx';
import { Alert } from '../../ui/Alert.tsx';

/** The cart of a link; null without one, or where it cannot be read. What checks it is fetched only then. */
function useSharedCart(text: string | undefined): TestCart | null | 'being read' {
  const [read, setRead] = useState<{ text: string; cart: TestCart | null } | null>(null);
  useEffect(() => {
    if (!text) return;
    void import('../../core/test-carts/cart-from-text.ts').then(({ cartFromText }) =>
      setRead({ text, cart: cartFromText(text) }),
    );
  }, [text]);
  if (!text) return null;
  return read?.text === text ? read.cart : 'being read';
}

const laidAsked = ({ laid }: Record<string, string>): Laid => (laid === 'release' || laid === 'both' ? laid : 'draft');

/** A cart of the draft, or one that came by a link. */
export function RehearseView({ query: initial, shop }: { query: Record<string, string>; shop: string | null }) {
  const [query, setQuery] = useQuery(initial);
  const shared = useSharedCart(query.shared);
  if (shared === 'being read')
    return (
      <p role="status" className="px-5 pt-3">
        Reading the cart of the link …
      </p>
    );
  if (shared) return <SharedOfArm cart={shared} query={query} setQuery={setQuery} />;
  return (
    <>
      {query.shared && (
        <Alert className="mx-5 mt-3">
          The link is cut off or not one of Summant, so the cart in it cannot be read. Ask for it again; below is a cart
          of the draft.
        </Alert>
      )}
      <CartOfArm query={query} setQuery={setQuery} shop={shop} />
    </>
  );
}

interface AskedFor {
  query: Record<string, string>;
  setQuery: SetQuery;
  shop: string | null;
}

/** The cart of a link, likewise. */
function SharedOfArm({ cart, query, setQuery }: { cart: TestCart; query: Record<string, string>; setQuery: SetQuery }) {
  const { shown, choices } = useArmChoice(cart, query.arm ?? '');
  return (
    <ArmShown value={shown}>
      <SharedCart
        cart={cart}
        laid={laidAsked(query)}
        arms={choices && <ArmChips choices={choices} choose={(arm) => setQuery({ arm })} />}
        choose={(kept) => setQuery({ shared: '', cart: kept })}
      />
    </ArmShown>
  );
}

/** The cart as a shopper of an arm sees it, where an experiment goes on in its market. */
function CartOfArm(asked: AskedFor) {
  const { query, setQuery } = asked;
  const { testCarts } = usePolicy();
  const cartId = testCarts[query.cart ?? ''] ? query.cart! : inOrder(testCarts)[0]![0];
  const { shown, choices } = useArmChoice(testCarts[cartId]!, query.arm ?? '');
  return (
    <ArmShown value={shown}>
      <OneCart
        {...asked}
        cartId={cartId}
        arms={choices && <ArmChips choices={choices} choose={(arm) => setQuery({ arm })} />}
      />
    </ArmShown>
  );
}

/** One cart: what is in it, where it goes, and what its shopper sees. */
function OneCart({ query, setQuery, shop, cartId, arms }: AskedFor & { cartId: string; arms: ReactNode }) {
  const policy = usePolicy();
  const compiled = useCompiled();
  const compiledRelease = useCompiledRelease();
  const catalogue = useCatalogue();
  const now = useNow();
  const edit = useEdit();
  const [madeUp, setMadeUp] = useState(false);
  const printing = usePrinting();
  const cart = policy.testCarts[cartId]!;
  const rehearsal = useMemo(() => rehearse(compiled, catalogue, cart, now), [compiled, catalogue, cart, now]);
  const released = useMemo(
    () => (compiledRelease ? rehearse(compiledRelease, catalogue, cart, now) : null),
    [compiledRelease, catalogue, cart, now],
  );
  const zone = compiled.markets
    .get(rehearsal.evaluation.marketId ?? '')
    ?.zones.find(({ id }) => id === rehearsal.evaluation.zoneId);
  const market = rehearsal.evaluation.marketId ? policy.markets[rehearsal.evaluation.marketId] : undefined;
  const width = query.width === 'desktop' ? 'desktop' : 'phone';
  const laid = laidAsked(query);
  const wide = width === 'desktop' || laid === 'both';
  const particulars = particularsOf(cart);
  const toolPanel = (
    <ToolPanel cartId={cartId} cart={cart} rehearsal={rehearsal} zone={zone} query={query} setQuery={setQuery} />
  );
  return (
    <div className="px-5 py-3">
      <CartHeading cartId={cartId} cart={cart} setQuery={setQuery} />
      <p className="mb-2 flex min-h-6 flex-wrap items-center gap-x-5 text-soft">
        <span>{market ? `Sold in ${market.name}, ${market.currency}.` : 'No market sells there.'}</span>
        {particulars.length > 0 && <span data-testid="particulars">{particulars.join(' · ')}</span>}
        <span>
          bought by{' '}
          <BuyerPhrase cart={cart} choose={(shopper) => edit(setAt(['testCarts', cartId, 'shopper'], shopper))} />
          <button
            type="button"
            className="btn btn-xs"
            aria-expanded={madeUp}
            onClick={() => {
              if (!cart.shopper && !madeUp) edit(setAt(['testCarts', cartId, 'shopper'], { signedIn: false }));
              setMadeUp(!madeUp);
            }}
            data-testid="make-up-shopper"
          >
            {madeUp ? 'done' : 'make one up'}
          </button>
        </span>
        <label className="inline-flex items-center gap-1.5">
          <input
            type="checkbox"
            className="checkbox checkbox-xs"
            checked={cart.pinned}
            onChange={(event) => edit(setCartField(cartId, 'pinned', event.target.checked))}
          />
          pinned to the bench
        </label>
      </p>
      {madeUp && cart.shopper && (
        <p className="mb-1 border-l-2 border-primary pl-3 text-small leading-7">
          The shopper{' '}
          <ShopperFacts
            steps={['testCarts', cartId, 'shopper']}
            name="The shopper"
            shopper={cart.shopper}
            currency={policy.store.baseCurrency}
            id="of-cart"
          />
        </p>
      )}
      {arms}
      <DestinationDetails cartId={cartId} cart={cart} zone={zone} />
      <Circumstances cartId={cartId} cart={cart} zone={zone} />
      <div className="flex flex-wrap items-baseline gap-x-3 text-small">
        <CartSheet key={`sheet-${cartId}`} cartId={cartId} cart={cart} choose={(id) => setQuery({ cart: id })} />
        <ImportOrder choose={(id, arm) => setQuery({ cart: id, arm })} />
        <ShareCart key={`share-${cartId}`} cart={cart} />
        {shop !== null && <OpenInShop shop={shop} cart={cart} />}
      </div>
      <div
        className={`mt-1 grid grid-cols-[minmax(0,1fr)] gap-x-8 gap-y-3 ${wide ? '' : 'lg:grid-cols-[minmax(0,1fr)_322px]'}`}
      >
        <div>
          <CartLines cartId={cartId} cart={cart} rehearsal={rehearsal} />
          <WhyMessage compiled={compiled} rehearsal={rehearsal} />
          <NotOffered rehearsal={rehearsal} />
          {!wide && toolPanel}
        </div>
        <div>
          <ShopChoices query={query} released={released !== null} setQuery={setQuery} />
          <SideBySide cart={cart} draft={rehearsal} released={released} laid={laid} width={width} />
        </div>
      </div>
      {wide && toolPanel}
      {printing && <PrintedRecord cart={cart} rehearsal={rehearsal} />}
    </div>
  );
}
