import { EmptyStore } from '../frame/EmptyStore.tsx';
import { Frame } from '../frame/Frame.tsx';
import { usePolicy } from '../page/draft-context.tsx';
import type { PageProps } from '../../contract/page.ts';
import { DeliveryView } from './DeliveryView.tsx';

export default function DeliveryStop({ props }: { props: PageProps }) {
  return (
    <Frame stop="delivery" props={props}>
      <Inside query={props.query} />
    </Frame>
  );
}

function Inside({ query }: { query: Record<string, string> }) {
  const { markets, zones } = usePolicy();
  if (Object.keys(markets).length === 0 || Object.keys(zones).length === 0) return <EmptyStore title="Delivery" />;
  return <DeliveryView query={query} />;
}
