import { memo, useMemo, useState } from 'react';
import { call } from '../../client/http.ts';
import { ownDeliveryIn } from '../../core/catalogue/product-amount.ts';
import { stateOf, type Product, type ProductAmount, type ProductDeliveryChange } from '../../core/catalogue/product.ts';
import { mostPreparationDays } from '../../core/time/preparation.ts';
import type { MarketTerms } from '../../core/markets/terms.ts';
import { toDecimal } from '../../core/money/decimal.ts';
import { Table, type TableColumn } from '../../ui/Table.tsx';
import { TypedField } from '../../ui/TypedField.tsx';
import { saveCsv } from '../page/save-file.ts';
import { useCatalogue, useSetProduct } from '../page/page-context.tsx';
import { ProductChoice } from '../fields/choices/ProductChoice.tsx';
import { orNone, parseMoney, parseWhole } from '../fields/typed-text.ts';
import { FindingMark } from '../findings/FindingMark.tsx';
import { part } from '../page/parts.ts';

/** More rows than these can be searched. */
const fewRows = 8;

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
  const shown = [...added, ...special];
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
  const prepare = (product: Product, now: number) =>
    void make(product, { field: 'preparationDays', was: product.preparationDays, now });
  const columns = columnsOf({ terms, flag, price, prepare });
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
        <Table
          label="Products with a delivery of their own"
          columns={columns}
          rows={shown}
          keyOf={({ id }) => id}
          {...(shown.length > fewRows ? { search: 'Find a product' } : {})}
          save={{ what: 'these products', csv: (heading, rows) => saveCsv(`products-${marketId}`, heading, rows) }}
          rowTestId={({ id }) => `product-${id}`}
        />
      )}
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

const isSpecial = ({ needsDelivery, shipsFree, ownDelivery, preparationDays }: Product, marketId: string) =>
  !needsDelivery || preparationDays > 0 || shipsFree || ownDelivery?.[marketId] !== undefined;

/** What is changed of a product in its row. */
interface Changing {
  terms: MarketTerms;
  flag: (product: Product, field: 'shipsFree' | 'needsDelivery', now: boolean) => void;
  price: (product: Product, now: ProductAmount | null) => void;
  prepare: (product: Product, days: number) => void;
}

const yesOrNo = (is: boolean) => (is ? 'yes' : 'no');

function columnsOf({ terms, flag, price, prepare }: Changing): TableColumn<Product>[] {
  const { currency } = terms.money;
  const check = (product: Product, field: 'shipsFree' | 'needsDelivery', label: string) => (
    <input
      type="checkbox"
      className="checkbox checkbox-xs"
      aria-label={`${product.name} ${label}`}
      checked={product[field]}
      onChange={(event) => flag(product, field, event.target.checked)}
    />
  );
  const own = (product: Product) => {
    const minor = ownDeliveryIn(product, terms);
    return minor === undefined ? '' : toDecimal(minor, currency);
  };
  return [
    {
      id: 'name',
      name: 'Product',
      value: ({ name }) => name,
      cell: ({ id, name }) => (
        <>
          {name} <FindingMark at={`/products/${id}`} name={name} />
        </>
      ),
    },
    { id: 'sku', name: 'SKU', value: ({ sku }) => sku, className: 'text-soft whitespace-nowrap' },
    {
      id: 'needsDelivery',
      name: 'Needs delivery',
      value: ({ needsDelivery }) => yesOrNo(needsDelivery),
      cell: (product) => check(product, 'needsDelivery', 'needs delivery'),
    },
    {
      id: 'shipsFree',
      name: 'Always free',
      value: ({ shipsFree }) => yesOrNo(shipsFree),
      cell: (product) => check(product, 'shipsFree', 'is always delivered free'),
    },
    {
      id: 'preparation',
      name: 'Days to prepare',
      value: ({ preparationDays }) => (preparationDays === 0 ? '' : String(preparationDays)),
      right: true,
      cell: (product) => (
        <TypedField
          label={`Working days before ${product.name} can leave`}
          shown={product.preparationDays === 0 ? '' : String(product.preparationDays)}
          parse={orNone(parseWhole(0, mostPreparationDays))}
          show={nothing}
          commit={(days: number | undefined) => prepare(product, days ?? 0)}
          placeholder="none"
          align="right"
          testId={`preparation-${product.id}`}
        />
      ),
    },
    {
      id: 'own',
      name: `Own price a piece, ${currency}`,
      value: own,
      right: true,
      cell: (product) => (
        <>
          <TypedField
            label={`Own delivery price of ${product.name}, ${currency}`}
            shown={own(product)}
            parse={orNone<number>(parseMoney(currency))}
            show={nothing}
            commit={(minor: number | undefined) => price(product, minor ?? null)}
            placeholder="as the options"
            testId={`own-price-${product.id}`}
          />
          {typeof product.ownDelivery?.[terms.id] === 'object' && (
            <span className="text-soft"> follows {terms.money.baseCurrency}</span>
          )}
        </>
      ),
    },
  ];
}

const nothing = () => undefined;
