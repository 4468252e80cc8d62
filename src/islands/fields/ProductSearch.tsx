import { useId, useState } from 'react';
import type { Catalogue, Product } from '../../core/catalogue/product.ts';
import { useCatalogue } from '../page/page-context.tsx';

/** Of many products only those that fit what is typed are put to the browser, which lists a handful anyway. */
const mostSuggested = 50;

function suggested(catalogue: Catalogue, wanted: string): Product[] {
  const found: Product[] = [];
  for (const product of catalogue.values()) {
    if (found.length === mostSuggested) break;
    if (product.name.toLowerCase().includes(wanted) || product.sku.toLowerCase().startsWith(wanted))
      found.push(product);
  }
  return found;
}

/** A product typed by name or SKU. */
export function ProductSearch({
  label,
  action,
  choose,
}: {
  label: string;
  action: string;
  choose: (product: Product) => void;
}) {
  const catalogue = useCatalogue();
  const id = useId();
  const [name, setName] = useState('');
  const [unknown, setUnknown] = useState(false);
  const wanted = name.trim().toLowerCase();
  const find = () => {
    const product = [...catalogue.values()].find(
      (candidate) => candidate.name.toLowerCase() === wanted || candidate.sku.toLowerCase() === wanted,
    );
    setUnknown(!product && wanted !== '');
    if (!product) return;
    choose(product);
    setName('');
  };
  return (
    <form
      className="flex flex-wrap items-center gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        find();
      }}
    >
      <label htmlFor={id}>{label}</label>
      <input
        id={id}
        className="typed w-64 max-w-full [field-sizing:fixed]"
        list={`${id}-catalogue`}
        value={name}
        data-own-undo={name !== ''}
        placeholder="product name or SKU"
        autoComplete="off"
        onChange={(event) => {
          setName(event.target.value);
          setUnknown(false);
        }}
      />
      <datalist id={`${id}-catalogue`}>
        {suggested(catalogue, wanted).map((product) => (
          <option key={product.id} value={product.name}>
            {product.sku}
          </option>
        ))}
      </datalist>
      <button type="submit" className="btn btn-sm">
        {action}
      </button>
      {unknown && (
        <span role="alert" className="text-[13px] text-error">
          There is no product of that name or SKU.
        </span>
      )}
    </form>
  );
}
