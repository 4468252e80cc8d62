import type { ReleaseSummary } from '../../contract/shapes/release.ts';
import { Frame } from '../frame/Frame.tsx';
import type { PageProps } from '../../contract/page.ts';
import { ReleaseView } from './ReleaseView.tsx';

interface ReleaseProps extends PageProps {
  releases: ReleaseSummary[];
}

export default function ReleaseStop({ props }: { props: ReleaseProps }) {
  return (
    <Frame stop="release" props={props}>
      <ReleaseView releases={props.releases} query={props.query} />
    </Frame>
  );
}
