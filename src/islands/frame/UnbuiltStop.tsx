import { Frame } from './Frame.tsx';
import type { PageProps } from '../../contract/page.ts';
import { trail, type StopId } from './trail.ts';

/** A stop that is not built yet says in a line what it will hold. */
export default function UnbuiltStop({ stop, props }: { stop: StopId; props: PageProps }) {
  const here = trail.find(({ id }) => id === stop)!;
  return (
    <Frame stop={stop} props={props}>
      <div className="max-w-[46rem] px-6 py-8">
        <h1 className="text-head">{here.name}</h1>
        <p className="mt-2 text-lead">Not built yet. {here.holds}</p>
        <p className="mt-4 text-soft">
          Built so far:{' '}
          {trail
            .filter(({ holds }) => holds === undefined)
            .map(({ id, name }, index) => (
              <span key={id}>
                {index > 0 && ', '}
                <a className="link link-primary" href={`/${id}`}>
                  {name}
                </a>
              </span>
            ))}
          .
        </p>
      </div>
    </Frame>
  );
}
