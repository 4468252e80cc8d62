import { addTestCart } from '../../client/edits/cart-edits.ts';
import { inOrder } from '../../core/ordered.ts';
import { Frame } from '../frame/Frame.tsx';
import { EmptyStore } from '../frame/EmptyStore.tsx';
import { usePolicy } from '../page/draft-context.tsx';
import { useCatalogue } from '../page/page-context.tsx';
import { useEdit } from '../page/use-edit.tsx';
import type { PageProps } from '../../contract/page.ts';
import { RehearseView } from './RehearseView.tsx';

interface RehearseProps extends PageProps {
  /** where the demo shop is; null: there is none */
  shop: string | null;
}

export default function RehearseStop({ props }: { props: RehearseProps }) {
  return (
    <Frame stop="rehearse" props={props}>
      <Inside query={props.query} shop={props.shop} />
    </Frame>
  );
}

function Inside({ query, shop }: { query: Record<string, string>; shop: string | null }) {
  const policy = usePolicy();
  if (Object.keys(policy.testCarts).length > 0 || query.shared) return <RehearseView query={query} shop={shop} />;
  return Object.keys(policy.markets).length === 0 ? <EmptyStore title="Rehearse" /> : <FirstCart />;
}

/** A store that sells somewhere, and has no test cart yet. */
function FirstCart() {
  const policy = usePolicy();
  const catalogue = useCatalogue();
  const edit = useEdit();
  const [, market] = inOrder(policy.markets)[0]!;
  const [first] = catalogue.keys();
  const begin = () =>
    edit(
      addTestCart(
        'first-cart',
        {
          name: 'First cart',
          pinned: true,
          language: market.languages[0]!,
          destination: { country: market.countries[0] ?? policy.store.origin.country, postcode: '' },
        },
        new Map(first === undefined ? [] : [[first, 1]]),
      ),
    );
  return (
    <div className="max-w-[46rem] px-6 py-8">
      <h1 className="text-head">Rehearse</h1>
      <p className="mt-2 text-lead">
        Put a cart together and see what its shopper is offered and told, and why. It goes to {market.name} at first;
        what is in it, where it goes, who buys and when are changed as you look.
        {first === undefined &&
          ' There are no products yet: they are imported at Orders. Until then a cart stays empty, and options and the goals still ahead are shown.'}
      </p>
      <button type="button" className="btn btn-primary btn-sm mt-4" onClick={begin} data-testid="first-cart">
        Begin a cart
      </button>
    </div>
  );
}
