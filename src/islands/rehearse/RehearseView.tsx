import { useEffect, useMemo, useState } from 'react';
import type { CompiledZone } from '../../core/evaluation/compile.ts';
import type { SweepAxis } from '../../core/sweep/axis.ts';
import { ShopperFacts } from '../fields/ShopperFacts.tsx';
import { setCartField, setDestination } from '../../client/edits/edits.ts';
import { inOrder } from '../../core/ordered.ts';
import { setAt } from '../../client/edits/set-at.ts';
import type { Shopper, TestCart } from '../../core/policy/types.ts';
import { PhraseSelect } from '../../ui/PhraseSelect.tsx';
import { TypedField } from '../../ui/TypedField.tsx';
import { rehearse, type Rehearsal } from '../rehearsal/rehearse-cart.ts';
import { useDraft, usePolicy } from '../page/draft-context.tsx';
import { useCatalogue, useCompiled, useCompiledRelease, useNotation, useNow } from '../page/page-context.tsx';
import { useEdit } from '../page/use-edit.tsx';
import { useQuery } from '../page/use-query.ts';
import { CartSheet } from './cart/CartSheet.tsx';
import { Circumstances } from './cart/Circumstances.tsx';
import { CartLines } from './cart/CartLines.tsx';
import { useCountryChoices } from './cart/use-country-choices.ts';
import { same } from '../../core/same.ts';
import { particularsOf } from './particulars.ts';
import { Seams } from './tools/Seams.tsx';
import { ImportOrder } from './cart/ImportOrder.tsx';
import { CloseTheGap } from './tools/CloseTheGap.tsx';
import { Charged } from './tools/Charged.tsx';
import { DestinationDetails } from './cart/DestinationDetails.tsx';
import { Expected } from './tools/Expected.tsx';
import { LineUp } from './tools/LineUp.tsx';
import { NotOffered } from './tools/NotOffered.tsx';
import { PrintedRecord } from './PrintedRecord.tsx';
import { ShareCart } from './cart/ShareCart.tsx';
import { SharedCart } from './cart/SharedCart.tsx';
import { SideBySide, type Laid } from './tools/SideBySide.tsx';
import { SweepChart } from './tools/SweepChart.tsx';
import type { Along } from './tools/variations.ts';
import { usePrinting } from './use-printing.ts';
import { WhyMessage } from './WhyMessage.tsx';

const tools = [
  ['', 'Seams'],
  ['line-up', 'Line-up'],
  ['sweep', 'Sweep'],
  ['gap', 'What closes the gap'],
  ['expected', 'Expected'],
  ['charged', 'Already placed'],
] as const;

const widths = [
  ['', 'phone'],
  ['desktop', 'desktop'],
] as const;

const lays = [
  ['', 'draft'],
  ['release', 'release'],
  ['both', 'side by side'],
] as const;

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

/** A cart of the draft, or one that came by a link. */
export function RehearseView({ query: initial }: { query: Record<string, string> }) {
  const [query, setQuery] = useQuery(initial);
  const shared = useSharedCart(query.shared);
  if (shared === 'being read')
    return (
      <p role="status" className="px-5 pt-3">
        Reading the cart of the link …
      </p>
    );
  if (shared) return <SharedCart cart={shared} choose={(cart) => setQuery({ shared: '', cart })} />;
  return (
    <>
      {query.shared && (
        <p role="alert" className="px-5 pt-3 text-error">
          The link is cut off or not one of Summant, so the cart in it cannot be read. Ask for it again; below is a cart
          of the draft.
        </p>
      )}
      <OneCart query={query} setQuery={setQuery} />
    </>
  );
}

/** One cart: what is in it, where it goes, and what its shopper sees. */
function OneCart({
  query,
  setQuery,
}: {
  query: Record<string, string>;
  setQuery: (change: Record<string, string>) => void;
}) {
  const policy = usePolicy();
  const compiled = useCompiled();
  const compiledRelease = useCompiledRelease();
  const catalogue = useCatalogue();
  const now = useNow();
  const edit = useEdit();
  const [madeUp, setMadeUp] = useState(false);
  const printing = usePrinting();
  const carts = inOrder(policy.testCarts);
  const cartId = policy.testCarts[query.cart ?? ''] ? query.cart! : carts[0]![0];
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
  const laid: Laid = query.laid === 'release' || query.laid === 'both' ? query.laid : 'draft';
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
            className="quiet-button underline decoration-dotted underline-offset-2"
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
        <p className="mb-1 border-l-2 border-primary pl-3 text-[13px] leading-7">
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
      <DestinationDetails cartId={cartId} cart={cart} zone={zone} />
      <Circumstances cartId={cartId} cart={cart} zone={zone} />
      <div className="flex flex-wrap items-baseline gap-x-3 text-[13px]">
        <CartSheet key={`sheet-${cartId}`} cartId={cartId} cart={cart} choose={(id) => setQuery({ cart: id })} />
        <ImportOrder choose={(id) => setQuery({ cart: id })} />
        <ShareCart key={`share-${cartId}`} cart={cart} />
      </div>
      <div className={`mt-1 grid gap-x-8 gap-y-3 ${wide ? '' : 'lg:grid-cols-[minmax(0,1fr)_322px]'}`}>
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

type SetQuery = (change: Record<string, string>) => void;

/** Which cart it is, where it goes and what its shopper reads. */
function CartHeading({ cartId, cart, setQuery }: { cartId: string; cart: TestCart; setQuery: SetQuery }) {
  const policy = usePolicy();
  const { locale } = useNotation();
  const compiled = useCompiled();
  const edit = useEdit();
  const show = useDraft((state) => state.show);
  const countries = useCountryChoices(compiled, cart.destination.country, locale);
  const languages = [
    ...new Set([...Object.values(policy.markets).flatMap(({ languages: tags }) => tags), cart.language]),
  ].sort();
  return (
    <h1 className="text-[22px] leading-9">
      Rehearse{' '}
      <PhraseSelect
        head
        label="Test cart"
        value={cartId}
        options={inOrder(policy.testCarts).map(([id, { name }]) => [id, name])}
        choose={(id) => setQuery({ cart: id })}
      />{' '}
      going to{' '}
      <PhraseSelect
        head
        label="Country"
        value={cart.destination.country}
        options={countries}
        choose={(code) => edit(setDestination(cartId, 'country', code))}
      />
      ,{' '}
      <span className="font-sans text-[17px]">
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
        head
        label="Language"
        value={cart.language}
        options={languages.map((tag) => [tag, tag])}
        choose={(tag) => edit(setCartField(cartId, 'language', tag))}
      />
    </h1>
  );
}

/** What is looked at beside the shop. */
function ToolPanel({
  cartId,
  cart,
  rehearsal,
  zone,
  query,
  setQuery,
}: {
  cartId: string;
  cart: TestCart;
  rehearsal: Rehearsal;
  zone: CompiledZone | undefined;
  query: Record<string, string>;
  setQuery: SetQuery;
}) {
  const { currency, measures } = rehearsal.evaluation;
  const tool = tools.find(([id]) => id === query.tool)?.[0] ?? '';
  return (
    <>
      <div className="mt-4 border-t border-hairline pt-1.5" role="group" aria-label="What to look at">
        <Choices choices={tools} chosen={tool} choose={(next) => setQuery({ tool: next })} prefix="tool" />
      </div>
      {tool === '' && zone && <Seams key={`seams-${cartId}`} cartId={cartId} cart={cart} zone={zone} />}
      {tool === 'line-up' && (
        <LineUp
          key={`line-up-${cartId}`}
          cartId={cartId}
          cart={cart}
          zone={zone}
          along={alongOf(query.along)}
          chooseAlong={(along) => setQuery({ along })}
        />
      )}
      {tool === 'sweep' && zone && measures && (
        <SweepChart
          cart={cart}
          zone={zone}
          measures={measures}
          axis={axisOf(query.axis)}
          chooseAxis={(axis) => setQuery({ axis })}
        />
      )}
      {tool === 'gap' && currency && <CloseTheGap cartId={cartId} cart={cart} currency={currency} />}
      {tool === 'expected' && <Expected cartId={cartId} cart={cart} rehearsal={rehearsal} />}
      {tool === 'charged' && currency && (
        <Charged cartId={cartId} cart={cart} rehearsal={rehearsal} currency={currency} />
      )}
    </>
  );
}

/** How wide the shop is, and whether it is that of the draft, of the release, or both. */
function ShopChoices({
  query,
  released,
  setQuery,
}: {
  query: Record<string, string>;
  released: boolean;
  setQuery: SetQuery;
}) {
  return (
    <p className="flex flex-wrap items-baseline gap-x-1 pb-1 text-[13px]">
      <span role="group" aria-label="Width of the shop">
        <Choices
          choices={widths}
          chosen={query.width ?? ''}
          choose={(next) => setQuery({ width: next })}
          prefix="width"
        />
      </span>
      <span className="text-soft">·</span>
      <span role="group" aria-label="Draft or release">
        <Choices
          choices={released ? lays : lays.slice(0, 1)}
          chosen={query.laid ?? ''}
          choose={(next) => setQuery({ laid: next })}
          prefix="laid"
        />
      </span>
    </p>
  );
}

const alongOf = (asked: string | undefined): Along =>
  asked === 'destinations' || asked === 'moments' || asked === 'carts' ? asked : 'shoppers';
const axisOf = (asked: string | undefined): SweepAxis =>
  asked === 'items' || asked === 'weight' ? asked : 'goodsValue';

function Choices({
  choices,
  chosen,
  choose,
  prefix,
}: {
  choices: readonly (readonly [id: string, name: string])[];
  chosen: string;
  choose: (id: string) => void;
  prefix: string;
}) {
  return choices.map(([id, name]) => (
    <button
      key={id}
      type="button"
      className="day-toggle"
      aria-pressed={id === chosen}
      onClick={() => choose(id)}
      data-testid={`${prefix}-${id || 'first'}`}
    >
      {name}
    </button>
  ));
}

/** Who buys: one of the made-up shoppers, whose facts the cart takes over, or whoever it says itself. */
function BuyerPhrase({
  cart: { shopper },
  choose,
}: {
  cart: TestCart;
  choose: (shopper: Shopper | undefined) => void;
}) {
  const { shoppers = {} } = usePolicy();
  const known = inOrder(shoppers).find(([, madeUp]) => same(madeUp.shopper, shopper))?.[0];
  const value = shopper === undefined ? '' : (known ?? 'own');
  return (
    <PhraseSelect
      label="Bought by"
      value={value}
      options={[
        ['', 'a guest of whom nothing is known'],
        ...(value === 'own' ? [['own', 'somebody of its own'] as const] : []),
        ...inOrder(shoppers).map(([id, { name }]) => [id, name] as const),
      ]}
      choose={(id) => id !== 'own' && choose(id === '' ? undefined : shoppers[id]?.shopper)}
      testId="buyer-phrase"
    />
  );
}
