import type { PageProps } from '../../contract/page.ts';
import type { DatedStep } from '../../core/results/changes-of-market.ts';
import { EmptyStore } from '../frame/EmptyStore.tsx';
import { Frame } from '../frame/Frame.tsx';
import { usePolicy } from '../page/draft-context.tsx';
import { useQuery } from '../page/use-query.ts';
import { WhatHappened } from './change/WhatHappened.tsx';
import { ChargedOtherwise } from './ChargedOtherwise.tsx';

/** @param steps what releases changed, newest first */
export default function ResultsStop({ props, steps }: { props: PageProps; steps: DatedStep[] }) {
  return (
    <Frame stop="results" props={props}>
      <Inside query={props.query} steps={steps} />
    </Frame>
  );
}

function Inside({ query: initial, steps }: { query: Record<string, string>; steps: DatedStep[] }) {
  const { markets } = usePolicy();
  const [query, setQuery] = useQuery(initial);
  if (Object.keys(markets).length === 0) return <EmptyStore title="Results" />;
  return (
    <div className="px-5 py-3">
      <WhatHappened query={query} setQuery={setQuery} steps={steps} />
      <ChargedOtherwise query={query} setQuery={setQuery} />
    </div>
  );
}
