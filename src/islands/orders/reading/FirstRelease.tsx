import { usePolicy } from '../../page/draft-context.tsx';
import { useRelease } from '../../page/page-context.tsx';

/** What is left to do for rules that no shop has yet. */
export function FirstRelease() {
  const { options } = usePolicy();
  const release = useRelease();
  if (release || Object.keys(options).length === 0) return null;
  return (
    <p className="my-1" data-testid="first-release">
      Nothing has been released yet, so no shop knows these rules.{' '}
      <a href="/release" className="link link-primary">
        Release them
      </a>
    </p>
  );
}
