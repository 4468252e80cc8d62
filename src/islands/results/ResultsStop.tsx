import type { PageProps } from '../../contract/page.ts';
import type { DatedStep } from '../../core/results/changes-of-market.ts';
import { EmptyStore } from '../frame/EmptyStore.tsx';
import { Frame } from '../frame/Frame.tsx';
import { usePolicy } from '../page/draft-context.tsx';
import { useQuery } from '../page/use-query.ts';
import { WhatHappened } from './change/WhatHappened.tsx';
import { Experiments } from './experiments/Experiments.tsx';
import type { KnownOfExperiments } from '../../core/experiments/known.ts';
import { ChargedOtherwise } from './ChargedOtherwise.tsx';

/** @param steps what releases changed, newest first @param known of experiments, beside their orders */
export default function ResultsStop({
  props,
  steps,
  known,
}: {
  props: PageProps;
  steps: DatedStep[];
  known: KnownOfExperiments;
}) {
  return (
    <Frame stop="results" props={props}>
      <Inside query={props.query} steps={steps} known={known} />
    </Frame>
  );
}

function Inside({
  query: initial,
  steps,
  known,
}: {
  query: Record<string, string>;
  steps: DatedStep[];
  known: KnownOfExperiments;
}) {
  const { markets } = usePolicy();
  const [query, setQuery] = useQuery(initial);
  if (Object.keys(markets).length === 0) return <EmptyStore title="Results" />;
  return (
    <div className="px-5 py-3">
      <WhatHappened query={query} setQuery={setQuery} steps={steps} />
      <Experiments known={known} query={query} setQuery={setQuery} />
      <ChargedOtherwise query={query} setQuery={setQuery} />
    </div>
  );
}
