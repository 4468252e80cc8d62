import { memo, useMemo, useState } from 'react';
import { call } from '../../client/http.ts';
import { ownDeliveryIn } from '../../core/catalogue/product-amount.ts';
import { stateOf, type Product, type ProductAmount, type ProductDeliveryChange } from '../../core/catalogue/product.ts';
import type { MarketTerms } from '../../core/markets/terms.ts';
import { toDecimal } from '../../core/money/decimal.ts';
import { TypedField } from '../../ui/TypedField.tsx';
import { useCatalogue, useSetProduct } from '../page/page-context.tsx';
import { ProductChoice } from '../fields/choices/ProductChoice.tsx';
import { orNone, parseMoney } from '../fields/typed-text.ts';
import { part } from '../page/parts.ts';

/** Shown at once; more are found by their name. */
const mostShown = 30;

/** Products that options' charges do not treat as others: a price of their own, always free, or nothing to deliver. */
export const ProductsDelivery = memo(function ProductsDelivery({
  marketId,
  terms,
}: {
  marketId: string;
  terms: MarketTerms;
}) {
  const catalogue = useCatalogue();
  const setProduct = useSetProduct();
  const [looked, setLooked] = useState<readonly string[]>([]);
  const [said, setSaid] = useState<{
    text: string;
    wrong?: boolean;
    back?: { id: string; change: ProductDeliveryChange };
  } | null>(null);
  const special = useMemo(
    () => [...catalogue.values()].filter((product) => isSpecial(product, marketId)),
    [catalogue, marketId],
  );
  const added = looked.flatMap((id) => catalogue.get(id) ?? []).filter((product) => !isSpecial(product, marketId));
  const shown = [...added, ...special.slice(0, mostShown)];
  const make = async (product: Product, change: ProductDeliveryChange, back = false) => {
    // What was looked at stays in sight, whatever becomes of it.
    setLooked((ids) => (ids.includes(product.id) ? ids : [...ids, product.id]));
    const answer = await call('PATCH /api/products/{id}', { params: { id: product.id }, body: change });
    if (!answer.ok) {
      const { problem } = answer;
      if (problem.product) setProduct(problem.product);
      return setSaid({
        text: answer.unreachable
          ? `Summant does not answer. ${product.name} is as it was; try again in a moment.`
          : `${problem.title}. ${problem.detail}`,
        wrong: true,
      });
    }
    setProduct(answer.body.product);
    setSaid(
      back
        ? { text: `${product.name} is as it was.` }
        : {
            text: `${product.name} is changed, for shoppers at once.`,
            back: { id: product.id, change: { ...change, was: change.now, now: change.was } as ProductDeliveryChange },
          },
    );
  };
  const flag = (product: Product, field: 'shipsFree' | 'needsDelivery', now: boolean) =>
    void make(product, { field, was: product[field], now });
  const price = (product: Product, now: ProductAmount | null) => {
    const change: ProductDeliveryChange = { field: 'ownDelivery', market: marketId, was: null, now };
    void make(product, { ...change, was: stateOf(product, change) as ProductAmount | null });
  };
  const revert = () => {
    const product = said?.back && catalogue.get(said.back.id);
    if (product && said.back) void make(product, said.back.change, true);
  };
  return (
    <section
      ref={part('products')}
      className="mt-3 border-t border-hairline pt-2 text-small"
      aria-label="Products with a delivery of their own"
    >
      <div className="flex flex-wrap items-baseline gap-x-4">
        <strong className="font-head text-body">Products with a delivery of their own</strong>
        <span className="text-soft">
          Part of the catalogue, not of a release: a change holds for shoppers at once. Prices of their own do not apply
          to pick-up.
        </span>
      </div>
      <p
        role={said?.wrong ? 'alert' : 'status'}
        className={said ? `my-1 ${said.wrong ? 'text-error' : ''}` : ''}
        data-testid="product-said"
      >
        {said?.text}
        {said?.back && (
          <button type="button" className="btn btn-xs ml-2" onClick={revert}>
            Take it back
          </button>
        )}
      </p>
      {shown.length > 0 && (
        <div className="overflow-x-auto">
          <table className="table table-xs w-auto">
            <thead>
              <tr className="border-b border-hairline text-soft">
                <th scope="col" className="py-1 pr-4 font-normal">
                  Product
                </th>
                <th scope="col" className="py-1 pr-4 font-normal">
                  Needs delivery
                </th>
                <th scope="col" className="py-1 pr-4 font-normal">
                  Always free
                </th>
                <th scope="col" className="py-1 font-normal">
                  Own price a piece, {terms.money.currency}
                </th>
              </tr>
            </thead>
            <tbody>
              {shown.map((product) => (
                <Row key={product.id} product={product} terms={terms} flag={flag} price={price} />
              ))}
            </tbody>
          </table>
        </div>
      )}
      {special.length > mostShown && <p className="text-soft">and {special.length - mostShown} more, found by name</p>}
      <div className="mt-2">
        {shown.length === 0 && <span className="mr-2 text-soft">All products are charged by the options.</span>}
        <ProductChoice
          action="Look at a product"
          choose={({ id }) => setLooked((ids) => [id, ...ids.filter((other) => other !== id)])}
        />
      </div>
    </section>
  );
});

const isSpecial = ({ needsDelivery, shipsFree, ownDelivery }: Product, marketId: string) =>
  !needsDelivery || shipsFree || ownDelivery?.[marketId] !== undefined;

function Row({
  product,
  terms,
  flag,
  price,
}: {
  product: Product;
  terms: MarketTerms;
  flag: (product: Product, field: 'shipsFree' | 'needsDelivery', now: boolean) => void;
  price: (product: Product, now: ProductAmount | null) => void;
}) {
  const { id, name, sku, needsDelivery, shipsFree } = product;
  const { currency } = terms.money;
  const own = ownDeliveryIn(product, terms);
  const follows = typeof product.ownDelivery?.[terms.id] === 'object';
  return (
    <tr className="border-b border-hairline" data-testid={`product-${id}`}>
      <th scope="row" className="py-1 pr-4 font-normal">
        {name} <span className="text-soft">{sku}</span>
      </th>
      <td className="py-1 pr-4">
        <input
          type="checkbox"
          className="checkbox checkbox-xs"
          aria-label={`${name} needs delivery`}
          checked={needsDelivery}
          onChange={(event) => flag(product, 'needsDelivery', event.target.checked)}
        />
      </td>
      <td className="py-1 pr-4">
        <input
          type="checkbox"
          className="checkbox checkbox-xs"
          aria-label={`${name} is always delivered free`}
          checked={shipsFree}
          onChange={(event) => flag(product, 'shipsFree', event.target.checked)}
        />
      </td>
      <td className="py-1">
        <TypedField
          label={`Own delivery price of ${name}, ${currency}`}
          shown={own === undefined ? '' : toDecimal(own, currency)}
          parse={orNone<number>(parseMoney(currency))}
          show={nothing}
          commit={(minor: number | undefined) => price(product, minor ?? null)}
          placeholder="as the options"
          testId={`own-price-${id}`}
        />
        {follows && <span className="text-soft"> follows {terms.money.baseCurrency}</span>}
      </td>
    </tr>
  );
}

const nothing = () => undefined;
