import { EmptyStore } from '../frame/EmptyStore.tsx';
import { Frame } from '../frame/Frame.tsx';
import { usePolicy } from '../page/draft-context.tsx';
import type { PageProps } from '../../contract/page.ts';
import { OrdersView } from './OrdersView.tsx';

export default function OrdersStop({ props }: { props: PageProps }) {
  return (
    <Frame stop="orders" props={props}>
      <Inside query={props.query} />
    </Frame>
  );
}

function Inside({ query }: { query: Record<string, string> }) {
  const policy = usePolicy();
  if (Object.keys(policy.markets).length === 0) return <EmptyStore title="Orders" />;
  return <OrdersView query={query} />;
}
