import type { Catalogue, Product } from '../../../core/catalogue/product.ts';
import type { SearchEntry } from '../../../ui/best-matches.ts';
import { Choice } from '../../../ui/Choice.tsx';
import { useCatalogue } from '../../page/page-context.tsx';

const productEntries = (catalogue: Catalogue): SearchEntry<Product>[] =>
  [...catalogue.values()].map((product) => ({ value: product, name: product.name, hint: product.sku }));

/** A product of the catalogue, by its name or SKU. `action`: what choosing one does. */
export function ProductChoice({ action, choose }: { action: string; choose: (product: Product) => void }) {
  const catalogue = useCatalogue();
  return (
    <Choice
      label={action}
      shown={action}
      className="btn btn-xs"
      placeholder="Product name or SKU"
      entries={() => productEntries(catalogue)}
      choose={choose}
    />
  );
}
