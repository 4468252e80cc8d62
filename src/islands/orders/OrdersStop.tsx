import { useState } from 'react';
import { Frame } from '../frame/Frame.tsx';
import { usePolicy } from '../page/draft-context.tsx';
import type { PageProps } from '../../contract/page.ts';
import { EmptyOrders } from './EmptyOrders.tsx';
import { OrdersView } from './OrdersView.tsx';

export default function OrdersStop({ props }: { props: PageProps }) {
  return (
    <Frame stop="orders" props={props}>
      <Inside query={props.query} />
    </Frame>
  );
}

function Inside({ query }: { query: Record<string, string> }) {
  const { markets } = usePolicy();
  // A store that was empty keeps its file in sight while markets are made from it; orders bring the page anew.
  const [began] = useState(() => Object.keys(markets).length === 0);
  return began ? <EmptyOrders /> : <OrdersView query={query} />;
}
