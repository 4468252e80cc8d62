import { Frame } from '../frame/Frame.tsx';
import type { PageProps } from '../../contract/page.ts';
import { takeCountryNames } from '../page/place-names.ts';
import { MarketsView } from './MarketsView.tsx';

interface MarketsProps extends PageProps {
  rateFeed: string;
  /** in the reader's language */
  countryNames: Record<string, string>;
}

export default function MarketsStop({ props }: { props: MarketsProps }) {
  takeCountryNames(props.locale, props.countryNames);
  return (
    <Frame stop="markets" props={props}>
      <MarketsView query={props.query} rateFeed={props.rateFeed} />
    </Frame>
  );
}
