import { EmptyStore } from '../frame/EmptyStore.tsx';
import { Frame } from '../frame/Frame.tsx';
import { usePolicy } from '../frame/page-context.tsx';
import type { PageProps } from '../frame/page-props.ts';
import { takeCountryNames } from '../frame/place-names.ts';
import { MarketsView } from './MarketsView.tsx';

export interface MarketsProps extends PageProps {
  rateFeed: string;
  /** in the reader's language */
  countryNames: Record<string, string>;
}

export default function MarketsStop({ props }: { props: MarketsProps }) {
  takeCountryNames(props.locale, props.countryNames);
  return (
    <Frame stop="markets" props={props}>
      <Inside props={props} />
    </Frame>
  );
}

function Inside({ props: { query, rateFeed } }: { props: MarketsProps }) {
  const { markets } = usePolicy();
  return (
    <>
      {Object.keys(markets).length === 0 && <EmptyStore title="Markets" />}
      <MarketsView query={query} rateFeed={rateFeed} />
    </>
  );
}
