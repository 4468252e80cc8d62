import { useState } from 'react';
import type { DatedStep } from '../../core/results/changes-of-market.ts';
import { Frame } from '../frame/Frame.tsx';
import { usePolicy } from '../page/draft-context.tsx';
import type { PageProps } from '../../contract/page.ts';
import { EmptyOrders } from './EmptyOrders.tsx';
import { OrdersView } from './OrdersView.tsx';

/** @param steps what releases changed, newest first */
export default function OrdersStop({ props, steps }: { props: PageProps; steps: DatedStep[] }) {
  return (
    <Frame stop="orders" props={props}>
      <Inside query={props.query} steps={steps} />
    </Frame>
  );
}

function Inside({ query, steps }: { query: Record<string, string>; steps: DatedStep[] }) {
  const { markets } = usePolicy();
  // A store that was empty keeps its file in sight while markets are made from it; orders bring the page anew.
  const [began] = useState(() => Object.keys(markets).length === 0);
  return began ? <EmptyOrders /> : <OrdersView query={query} steps={steps} />;
}
