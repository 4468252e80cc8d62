import type { DatedStep } from '../../core/results/changes-of-market.ts';
import { Frame } from '../frame/Frame.tsx';
import type { PageProps } from '../../contract/page.ts';
import { EmptyStore } from '../frame/EmptyStore.tsx';
import { usePolicy } from '../page/draft-context.tsx';
import { OffersView } from './OffersView.tsx';
import type { ValueCounts } from '../../core/orders/distribution.ts';

interface OffersProps extends PageProps {
  /** of the market drawn first */
  values: ValueCounts | null;
}

/** @param steps what releases changed, newest first */
export default function OffersStop({ props, steps }: { props: OffersProps; steps: DatedStep[] }) {
  return (
    <Frame stop="offers" props={props}>
      <Inside props={props} steps={steps} />
    </Frame>
  );
}

function Inside({ props, steps }: { props: OffersProps; steps: DatedStep[] }) {
  const policy = usePolicy();
  if (Object.keys(policy.markets).length === 0) return <EmptyStore title="Offers" />;
  return <OffersView query={props.query} values={props.values} steps={steps} />;
}
