import { Frame } from '../frame/Frame.tsx';
import { EmptyStore } from '../frame/EmptyStore.tsx';
import { usePolicy } from '../frame/page-context.tsx';
import type { PageProps } from '../frame/page-props.ts';
import { RehearseView } from './RehearseView.tsx';

export default function RehearseStop({ props }: { props: PageProps }) {
  return (
    <Frame stop="rehearse" props={props}>
      <Inside query={props.query} />
    </Frame>
  );
}

function Inside({ query }: { query: Record<string, string> }) {
  const policy = usePolicy();
  if (Object.keys(policy.testCarts).length === 0) return <EmptyStore title="Rehearse" />;
  return <RehearseView query={query} />;
}
