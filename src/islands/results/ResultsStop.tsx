import type { PageProps } from '../../contract/page.ts';
import type { OrderSpan } from '../../core/orders/study.ts';
import type { DatedStep } from '../../core/results/changes-of-market.ts';
import { EmptyStore } from '../frame/EmptyStore.tsx';
import { Frame } from '../frame/Frame.tsx';
import { usePolicy } from '../page/draft-context.tsx';
import { useQuery } from '../page/use-query.ts';
import { WhatHappened } from './change/WhatHappened.tsx';
import { Experiments } from './experiments/Experiments.tsx';
import type { KnownOfExperiments } from '../../core/experiments/known.ts';
import { ChargedOtherwise } from './ChargedOtherwise.tsx';

/** @param steps what releases changed, newest first @param spans by market: days with orders @param known of experiments, beside their orders */
export default function ResultsStop({
  props,
  steps,
  spans,
  known,
}: {
  props: PageProps;
  steps: DatedStep[];
  spans: Record<string, OrderSpan>;
  known: KnownOfExperiments;
}) {
  return (
    <Frame stop="results" props={props}>
      <Inside query={props.query} steps={steps} spans={spans} known={known} />
    </Frame>
  );
}

function Inside({
  query: initial,
  steps,
  spans,
  known,
}: {
  query: Record<string, string>;
  steps: DatedStep[];
  spans: Record<string, OrderSpan>;
  known: KnownOfExperiments;
}) {
  const { markets } = usePolicy();
  const [query, setQuery] = useQuery(initial);
  if (Object.keys(markets).length === 0) return <EmptyStore title="Results" />;
  return (
    <div className="px-5 py-3">
      <WhatHappened query={query} setQuery={setQuery} steps={steps} spans={spans} />
      <Experiments known={known} query={query} setQuery={setQuery} />
      <ChargedOtherwise query={query} setQuery={setQuery} />
    </div>
  );
}
