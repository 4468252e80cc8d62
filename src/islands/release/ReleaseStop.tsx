import type { Choices } from '../../contract/shapes/choices.ts';
import type { AskedRelease, ReleaseSummary } from '../../contract/shapes/release.ts';
import { Frame } from '../frame/Frame.tsx';
import type { PageProps } from '../../contract/page.ts';
import { ReleaseView } from './ReleaseView.tsx';

interface ReleaseProps extends PageProps {
  releases: ReleaseSummary[];
  asked: AskedRelease | null;
  choices: Choices;
}

export default function ReleaseStop({ props }: { props: ReleaseProps }) {
  return (
    <Frame stop="release" props={props}>
      <ReleaseView atFirst={props} two={props.choices.twoPeople} query={props.query} />
    </Frame>
  );
}
