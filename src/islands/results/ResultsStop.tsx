import type { PageProps } from '../../contract/page.ts';
import { Frame } from '../frame/Frame.tsx';
import { ChargedOtherwise } from './ChargedOtherwise.tsx';

export default function ResultsStop({ props }: { props: PageProps }) {
  return (
    <Frame stop="results" props={props}>
      <ChargedOtherwise query={props.query} />
    </Frame>
  );
}
