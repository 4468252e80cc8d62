import { Frame } from '../frame/Frame.tsx';
import { EmptyStore } from '../frame/EmptyStore.tsx';
import { usePolicy } from '../page/draft-context.tsx';
import type { PageProps } from '../../contract/page.ts';
import { WordingView } from './WordingView.tsx';

export default function WordingStop({ props }: { props: PageProps }) {
  return (
    <Frame stop="wording" props={props}>
      <Inside query={props.query} />
    </Frame>
  );
}

function Inside({ query }: { query: Record<string, string> }) {
  const policy = usePolicy();
  if (Object.keys(policy.markets).length === 0) return <EmptyStore title="Wording" />;
  return <WordingView query={query} />;
}
