import { addTestCart } from '../../client/edits/cart-edits.ts';
import { freshId } from '../../client/edits/set-at.ts';
import { ordinaryCart } from '../../core/catalogue/ordinary-cart.ts';
import { shopperOfKind } from '../../core/orders/shopper-of-order.ts';
import type { ReplayExample } from '../../core/orders/replay/replay.ts';
import { useDraft } from '../page/draft-context.tsx';
import { useCatalogue, useCompiled, useNotation, useNow } from '../page/page-context.tsx';
import { useEdit } from '../page/use-edit.tsx';
import { someoneIn } from '../../core/evaluation/someone-in.ts';
import { Becomes } from '../../ui/Becomes.tsx';

const shown = 2;

/** Orders that would pay something else, each to be opened in Rehearse as a cart of real products that comes nearest to its value. */
export function ReplayExamples({ marketId, examples }: { marketId: string; examples: readonly ReplayExample[] }) {
  const { money, locale } = useNotation();
  const compiled = useCompiled();
  const catalogue = useCatalogue();
  const now = useNow();
  const edit = useEdit();
  const flushed = useDraft((state) => state.flushed);
  const carts = useDraft((state) => state.settled.testCarts);
  const market = compiled.markets.get(marketId);
  if (!market) return null;
  const { currency, languages } = market.market;
  const count = new Intl.NumberFormat(locale);
  const open = async ({ zoneId, destination, value, shopper }: ReplayExample) => {
    const zone = market.zones.find(({ id }) => id === zoneId) ?? market.zones[0];
    if (!zone) return;
    const person = shopperOfKind(shopper);
    const { country } = someoneIn(zone, now, undefined).destination;
    const id = freshId('past-order', carts);
    edit(
      addTestCart(
        id,
        {
          name: `Past order of ${money(value, currency)}`,
          pinned: false,
          language: languages[0]!,
          destination: destination ?? { country, postcode: '' },
          ...(person ? { shopper: person } : {}),
        },
        ordinaryCart(catalogue, market.terms, value),
      ),
    );
    await flushed();
    window.location.assign(`/rehearse?cart=${id}`);
  };
  return (
    <>
      {examples.slice(0, shown).map((example, index) => (
        <span key={index}>
          {index > 0 && ', '}
          <button
            type="button"
            className="link link-primary text-left"
            title={`${wentTo(example)}Open in Rehearse, as a cart of real products that comes nearest to its value`}
            onClick={() => void open(example)}
            data-testid={`example-${marketId}-${index}`}
          >
            {money(example.value, currency)}: {money(example.was, currency)}
            <Becomes />
            {money(example.now, currency)}
          </button>{' '}
          ({count.format(example.orders)} ×)
        </span>
      ))}
    </>
  );
}

/** Where one of them went and with what weight, where that is known. */
function wentTo({ destination, weight }: ReplayExample): string {
  const parts = [
    ...(destination ? [`To ${destination.country} ${destination.postcode}`] : []),
    ...(weight === null ? [] : [`${weight} g or more`]),
  ];
  return parts.length > 0 ? `${parts.join(', ')}. ` : '';
}
