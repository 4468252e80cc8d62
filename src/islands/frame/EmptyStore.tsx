import { useState, type ReactNode } from 'react';
import { call, type HttpProblem } from '../../client/http.ts';
import { Alert } from '../../ui/Alert.tsx';

/** Nothing has been set yet: what to do next, with a button. On Markets, where one begins, `children` is the way to do so; at Orders `file` takes a file of orders. */
export function EmptyStore({ title, children, file }: { title?: string; children?: ReactNode; file?: ReactNode }) {
  const [loading, setLoading] = useState(false);
  const [problem, setProblem] = useState<HttpProblem | null>(null);
  const load = async () => {
    setLoading(true);
    const answer = await call('POST /api/demo');
    if (answer.ok) window.location.reload();
    else {
      setProblem(answer.problem);
      setLoading(false);
    }
  };
  return (
    <div className={title ? 'max-w-[46rem] px-6 py-8' : 'mb-4 max-w-[46rem]'}>
      {title && <h1 className="text-head">{title}</h1>}
      <p className="mt-2 text-lead">
        This store sells nowhere yet: it has no market, no delivery option and no orders.{' '}
        {title ? (
          <>
            Begin at{' '}
            <a href="/markets" className="link link-primary">
              Markets
            </a>{' '}
            with a country
          </>
        ) : (
          'Begin with the first country'
        )}
        , or look at the demo store, Gustmoor Kites, which shows how everything works; it is made up.
      </p>
      {file}
      <p className="mt-4 flex flex-wrap gap-2">
        {children}
        <button
          type="button"
          className={`btn btn-sm ${children ? '' : 'btn-primary'}`}
          onClick={() => void load()}
          disabled={loading}
        >
          {loading ? 'Loading 24,000 orders …' : 'Load the demo store'}
        </button>
      </p>
      {problem && (
        <Alert className="mt-3">
          {problem.title}. {problem.detail}
        </Alert>
      )}
    </div>
  );
}
