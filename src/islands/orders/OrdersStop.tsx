import { useState } from 'react';
import type { DatedStep } from '../../core/results/changes-of-market.ts';
import { Frame } from '../frame/Frame.tsx';
import { usePolicy } from '../page/draft-context.tsx';
import type { Choices } from '../../contract/shapes/choices.ts';
import type { PageProps } from '../../contract/page.ts';
import { EmptyOrders } from './EmptyOrders.tsx';
import { OrdersView } from './OrdersView.tsx';

interface OrdersProps {
  /** what releases changed, newest first */
  steps: DatedStep[];
  /** for how long orders are kept one by one */
  orderDays: Choices['orderDays'];
}

export default function OrdersStop({ props, ...known }: OrdersProps & { props: PageProps }) {
  return (
    <Frame stop="orders" props={props}>
      <Inside query={props.query} {...known} />
    </Frame>
  );
}

function Inside({ query, ...known }: OrdersProps & { query: Record<string, string> }) {
  const { markets } = usePolicy();
  // A store that was empty keeps its file in sight while markets are made from it; orders bring the page anew.
  const [began] = useState(() => Object.keys(markets).length === 0);
  return began ? <EmptyOrders /> : <OrdersView query={query} {...known} />;
}
